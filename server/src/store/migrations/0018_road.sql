ALTER TABLE fleet ADD COLUMN road_costs jsonb;--> statement-breakpoint
CREATE TABLE road_call (
	fleet_id uuid NOT NULL,
	id uuid NOT NULL,
	unit_id uuid NOT NULL,
	defect_id uuid NOT NULL,
	place text NOT NULL,
	asked_by uuid NOT NULL,
	asked_at timestamp with time zone NOT NULL,
	job_id uuid,
	CONSTRAINT road_call_pk PRIMARY KEY (fleet_id, id)
);--> statement-breakpoint
CREATE INDEX road_call_unit ON road_call (fleet_id, unit_id, asked_at DESC);--> statement-breakpoint
CREATE TABLE job_document (
	fleet_id uuid NOT NULL,
	id uuid NOT NULL,
	job_id uuid NOT NULL,
	title text NOT NULL,
	body text NOT NULL,
	recorded_at timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT job_document_pk PRIMARY KEY (fleet_id, id)
);--> statement-breakpoint
CREATE INDEX job_document_job ON job_document (fleet_id, job_id);--> statement-breakpoint
DO $$
DECLARE each text[];
BEGIN
  FOREACH each SLICE 1 IN ARRAY ARRAY[
    ['road_call', 'unit_id', 'unit'], ['road_call', 'defect_id', 'defect'], ['road_call', 'asked_by', 'person'],
    ['road_call', 'job_id', 'job'], ['job_document', 'job_id', 'job']
  ] LOOP
    EXECUTE format('ALTER TABLE %I ADD FOREIGN KEY (fleet_id, %I) REFERENCES %I (fleet_id, id)', each[1], each[2], each[3]);
  END LOOP;
END $$;--> statement-breakpoint
DO $$
DECLARE each text;
BEGIN
  FOREACH each IN ARRAY ARRAY['road_call', 'job_document'] LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', each);
    EXECUTE format('ALTER TABLE %I FORCE ROW LEVEL SECURITY', each);
    EXECUTE format(
      'CREATE POLICY own_fleet ON %I USING (fleet_id = nullif(current_setting(''za.fleet'', true), '''')::uuid)',
      each);
  END LOOP;
END $$;--> statement-breakpoint
GRANT SELECT, INSERT ON road_call, job_document TO axle_server;--> statement-breakpoint
GRANT UPDATE (job_id) ON road_call TO axle_server;--> statement-breakpoint
GRANT UPDATE (road_costs) ON fleet TO axle_server;
