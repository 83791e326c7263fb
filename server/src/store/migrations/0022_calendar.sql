CREATE TABLE calendar_feed (
	fleet_id uuid NOT NULL,
	id uuid NOT NULL,
	secret_hash text NOT NULL,
	person_id uuid,
	made_by uuid NOT NULL,
	made_at timestamp with time zone NOT NULL,
	revoked_at timestamp with time zone,
	CONSTRAINT calendar_feed_pk PRIMARY KEY (fleet_id, id)
);--> statement-breakpoint
CREATE UNIQUE INDEX calendar_feed_secret ON calendar_feed (fleet_id, secret_hash);--> statement-breakpoint
ALTER TABLE calendar_feed ADD FOREIGN KEY (fleet_id, person_id) REFERENCES person (fleet_id, id);--> statement-breakpoint
ALTER TABLE calendar_feed ADD FOREIGN KEY (fleet_id, made_by) REFERENCES person (fleet_id, id);--> statement-breakpoint
ALTER TABLE calendar_feed ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE calendar_feed FORCE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE POLICY own_fleet ON calendar_feed USING (fleet_id = nullif(current_setting('za.fleet', true), '')::uuid);--> statement-breakpoint
GRANT SELECT, INSERT ON calendar_feed TO axle_server;--> statement-breakpoint
GRANT UPDATE (revoked_at) ON calendar_feed TO axle_server;
