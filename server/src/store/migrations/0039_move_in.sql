-- What a shop's own list brought, whole, so that it can be taken back whole while nothing rests on it.
CREATE TABLE move_in (
	fleet_id uuid NOT NULL REFERENCES fleet (fleet_id),
	id uuid NOT NULL,
	name text NOT NULL,
	units jsonb NOT NULL,
	shape smallint NOT NULL DEFAULT 1,
	moved_by uuid NOT NULL,
	moved_at timestamp with time zone NOT NULL,
	undone_by uuid,
	undone_at timestamp with time zone,
	recorded_at timestamp with time zone NOT NULL DEFAULT now(),
	CONSTRAINT move_in_pk PRIMARY KEY (fleet_id, id),
	CONSTRAINT move_in_by FOREIGN KEY (fleet_id, moved_by) REFERENCES person (fleet_id, id),
	CONSTRAINT move_in_undone_by FOREIGN KEY (fleet_id, undone_by) REFERENCES person (fleet_id, id)
);--> statement-breakpoint
ALTER TABLE move_in ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE move_in FORCE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE POLICY own_fleet ON move_in USING (fleet_id = nullif(current_setting('za.fleet', true), '')::uuid);--> statement-breakpoint
GRANT SELECT, INSERT ON move_in TO axle_server;--> statement-breakpoint
GRANT UPDATE (undone_by, undone_at) ON move_in TO axle_server;--> statement-breakpoint
GRANT DELETE ON unit, meter TO axle_server;
