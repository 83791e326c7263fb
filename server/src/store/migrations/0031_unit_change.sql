-- What was changed in what is kept of a unit, by whom, why, and what it was seen by. Nothing of it is changed or taken back.
CREATE TABLE unit_change (
	fleet_id uuid NOT NULL REFERENCES fleet (fleet_id),
	id uuid NOT NULL,
	unit_id uuid NOT NULL,
	facts jsonb NOT NULL,
	shape smallint NOT NULL DEFAULT 1,
	seen text,
	reason text NOT NULL DEFAULT '',
	changed_by uuid NOT NULL,
	changed_at timestamp with time zone NOT NULL,
	recorded_at timestamp with time zone NOT NULL DEFAULT now(),
	CONSTRAINT unit_change_pk PRIMARY KEY (fleet_id, id),
	CONSTRAINT unit_change_unit FOREIGN KEY (fleet_id, unit_id) REFERENCES unit (fleet_id, id),
	CONSTRAINT unit_change_by FOREIGN KEY (fleet_id, changed_by) REFERENCES person (fleet_id, id),
	CONSTRAINT unit_change_seen_known CHECK (seen = ANY ('{ring-figure,tag,sidewall,plate,maker-table,counted,papers}'::text[]))
);--> statement-breakpoint
CREATE INDEX unit_change_of_unit ON unit_change (fleet_id, unit_id, recorded_at DESC, id DESC);--> statement-breakpoint
ALTER TABLE unit_change ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE unit_change FORCE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE POLICY own_fleet ON unit_change USING (fleet_id = nullif(current_setting('za.fleet', true), '')::uuid);--> statement-breakpoint
GRANT SELECT, INSERT ON unit_change TO axle_server;
