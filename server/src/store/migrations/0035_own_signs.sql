-- Signs a fleet is stricter about than its book.
ALTER TABLE fleet ADD COLUMN signs jsonb NOT NULL DEFAULT '[]';--> statement-breakpoint
GRANT UPDATE (signs) ON fleet TO axle_server;
