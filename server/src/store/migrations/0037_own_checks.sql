-- What a fleet looks at besides.
ALTER TABLE fleet ADD COLUMN checks jsonb NOT NULL DEFAULT '[]';--> statement-breakpoint
GRANT UPDATE (checks) ON fleet TO axle_server;
