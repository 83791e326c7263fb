ALTER TABLE fleet ADD COLUMN plan_weights jsonb;--> statement-breakpoint
GRANT UPDATE (plan_weights) ON fleet TO axle_server;
