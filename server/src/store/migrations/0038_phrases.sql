-- A fleet's own sentences for a walk by heart.
ALTER TABLE fleet ADD COLUMN phrases jsonb NOT NULL DEFAULT '{}';--> statement-breakpoint
GRANT UPDATE (phrases) ON fleet TO axle_server;
