-- Lists of parts, people, past repairs and last readings move in beside units.
ALTER TABLE move_in RENAME COLUMN units TO brought;--> statement-breakpoint
ALTER TABLE move_in ADD COLUMN list text NOT NULL DEFAULT 'units' CHECK (list IN ('units', 'parts', 'people', 'repairs', 'readings'));--> statement-breakpoint
ALTER TABLE move_in ALTER COLUMN list DROP DEFAULT;--> statement-breakpoint
CREATE TABLE past_repair (
	fleet_id uuid NOT NULL REFERENCES fleet (fleet_id),
	id uuid NOT NULL,
	move_id uuid NOT NULL,
	unit_id uuid NOT NULL,
	day date NOT NULL,
	work text NOT NULL,
	who text,
	meter text,
	cost integer,
	recorded_at timestamp with time zone NOT NULL DEFAULT now(),
	CONSTRAINT past_repair_pk PRIMARY KEY (fleet_id, id),
	CONSTRAINT past_repair_move FOREIGN KEY (fleet_id, move_id) REFERENCES move_in (fleet_id, id),
	CONSTRAINT past_repair_of FOREIGN KEY (fleet_id, unit_id) REFERENCES unit (fleet_id, id)
);--> statement-breakpoint
CREATE INDEX past_repair_unit ON past_repair (fleet_id, unit_id, day DESC, id DESC);--> statement-breakpoint
ALTER TABLE past_repair ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE past_repair FORCE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE POLICY own_fleet ON past_repair USING (fleet_id = nullif(current_setting('za.fleet', true), '')::uuid);--> statement-breakpoint
GRANT SELECT, INSERT, DELETE ON past_repair TO axle_server;--> statement-breakpoint
GRANT DELETE ON part, person TO axle_server;--> statement-breakpoint
-- Nobody may delete a reading: this takes back what a list brought, of a move that stands, and nothing else.
CREATE FUNCTION take_back_readings(move uuid, ids jsonb) RETURNS void
LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
DECLARE
	own uuid := nullif(current_setting('za.fleet', true), '')::uuid;
	taken uuid[];
BEGIN
	SELECT array_agg(i.id) INTO taken
	FROM move_in m, jsonb_array_elements_text(m.brought) AS b(id), inspection i
	WHERE m.fleet_id = own AND m.id = move AND m.list = 'readings' AND m.undone_at IS NULL
		AND i.fleet_id = own AND i.id = b.id::uuid AND i.purpose = 'import' AND ids ? b.id;
	DELETE FROM current_reading WHERE fleet_id = own AND inspection_id = ANY (taken);
	DELETE FROM judgement WHERE fleet_id = own AND inspection_id = ANY (taken);
	DELETE FROM hold WHERE fleet_id = own AND inspection_id = ANY (taken);
	DELETE FROM defect WHERE fleet_id = own AND inspection_id = ANY (taken) AND version = 1;
	DELETE FROM reading WHERE fleet_id = own AND inspection_id = ANY (taken);
	DELETE FROM inspection WHERE fleet_id = own AND id = ANY (taken);
END $$;--> statement-breakpoint
REVOKE ALL ON FUNCTION take_back_readings(uuid, jsonb) FROM PUBLIC;--> statement-breakpoint
GRANT EXECUTE ON FUNCTION take_back_readings(uuid, jsonb) TO axle_server;
