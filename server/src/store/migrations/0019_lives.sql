ALTER TABLE defect ADD COLUMN until_meter text;--> statement-breakpoint
UPDATE job SET work = work || '{"renews":[]}'::jsonb WHERE NOT work ? 'renews';--> statement-breakpoint
ALTER TABLE job ALTER COLUMN work SET DEFAULT '{"templates":[],"minutes":0,"people":1,"skills":[],"qualifications":[],"bay":null,"wheels":[],"steps":[],"parts":[],"renews":[]}'::jsonb;--> statement-breakpoint
CREATE TABLE part_order (
	fleet_id uuid NOT NULL,
	id uuid NOT NULL,
	job_id uuid NOT NULL,
	part_id text NOT NULL,
	count integer NOT NULL CHECK (count > 0),
	due_on date NOT NULL,
	ordered_by uuid NOT NULL,
	ordered_at timestamp with time zone NOT NULL,
	recorded_at timestamp with time zone DEFAULT now() NOT NULL,
	received_by uuid,
	received_at timestamp with time zone,
	CONSTRAINT part_order_pk PRIMARY KEY (fleet_id, id),
	CONSTRAINT part_order_received CHECK ((received_by IS NULL) = (received_at IS NULL))
);--> statement-breakpoint
CREATE INDEX part_order_job ON part_order (fleet_id, job_id);--> statement-breakpoint
CREATE TABLE fitted_part (
	fleet_id uuid NOT NULL,
	id uuid NOT NULL,
	unit_id uuid NOT NULL,
	job_id uuid NOT NULL,
	part text NOT NULL CHECK (part IN ('lining', 'drum', 'rotor', 'tyre', 'chamber', 'adjuster')),
	axle integer NOT NULL CHECK (axle > 0),
	side text NOT NULL CHECK (side IN ('left', 'right')),
	tyre text CHECK (tyre IN ('single', 'inner', 'outer')),
	number text NOT NULL,
	maker_limit text,
	fitted_by uuid NOT NULL,
	fitted_at timestamp with time zone NOT NULL,
	recorded_at timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT fitted_part_pk PRIMARY KEY (fleet_id, id)
);--> statement-breakpoint
CREATE INDEX fitted_part_unit ON fitted_part (fleet_id, unit_id);--> statement-breakpoint
CREATE TABLE report_note (
	fleet_id uuid NOT NULL,
	id uuid NOT NULL,
	defect_id uuid NOT NULL,
	words text NOT NULL,
	added_by uuid NOT NULL,
	added_at timestamp with time zone NOT NULL,
	recorded_at timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT report_note_pk PRIMARY KEY (fleet_id, id)
);--> statement-breakpoint
CREATE INDEX report_note_defect ON report_note (fleet_id, defect_id);--> statement-breakpoint
DO $$
DECLARE each text[];
BEGIN
  FOREACH each SLICE 1 IN ARRAY ARRAY[
    ['part_order', 'job_id', 'job'], ['part_order', 'ordered_by', 'person'], ['part_order', 'received_by', 'person'],
    ['fitted_part', 'unit_id', 'unit'], ['fitted_part', 'job_id', 'job'], ['fitted_part', 'fitted_by', 'person'],
    ['report_note', 'defect_id', 'defect'], ['report_note', 'added_by', 'person']
  ] LOOP
    EXECUTE format('ALTER TABLE %I ADD FOREIGN KEY (fleet_id, %I) REFERENCES %I (fleet_id, id)', each[1], each[2], each[3]);
  END LOOP;
END $$;--> statement-breakpoint
DO $$
DECLARE each text;
BEGIN
  FOREACH each IN ARRAY ARRAY['part_order', 'fitted_part', 'report_note'] LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', each);
    EXECUTE format('ALTER TABLE %I FORCE ROW LEVEL SECURITY', each);
    EXECUTE format(
      'CREATE POLICY own_fleet ON %I USING (fleet_id = nullif(current_setting(''za.fleet'', true), '''')::uuid)',
      each);
  END LOOP;
END $$;--> statement-breakpoint
GRANT SELECT, INSERT ON part_order, fitted_part, report_note TO axle_server;--> statement-breakpoint
GRANT UPDATE (received_by, received_at) ON part_order TO axle_server;
