ALTER TABLE unit ADD COLUMN state_reason text;--> statement-breakpoint
ALTER TABLE unit ADD COLUMN state_at timestamp with time zone;--> statement-breakpoint
CREATE INDEX unit_gone ON unit (fleet_id, number, id) WHERE state <> 'in-use';--> statement-breakpoint
GRANT UPDATE (state_reason, state_at) ON unit TO axle_server;
