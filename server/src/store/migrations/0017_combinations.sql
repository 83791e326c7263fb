CREATE TABLE coupling (
	fleet_id uuid NOT NULL,
	id uuid NOT NULL,
	unit_id uuid NOT NULL,
	pulled_id uuid NOT NULL,
	hooked_place text NOT NULL,
	hooked_by uuid NOT NULL,
	hooked_at timestamp with time zone NOT NULL,
	dropped_place text,
	dropped_by uuid,
	dropped_at timestamp with time zone,
	recorded_at timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT coupling_pk PRIMARY KEY (fleet_id, id),
	CONSTRAINT coupling_two CHECK (unit_id <> pulled_id),
	CONSTRAINT coupling_dropped CHECK ((dropped_at IS NULL) = (dropped_by IS NULL))
);--> statement-breakpoint
CREATE UNIQUE INDEX coupling_pulling ON coupling (fleet_id, unit_id) WHERE dropped_at IS NULL;--> statement-breakpoint
CREATE UNIQUE INDEX coupling_pulled ON coupling (fleet_id, pulled_id) WHERE dropped_at IS NULL;--> statement-breakpoint
CREATE INDEX coupling_last ON coupling (fleet_id, pulled_id, hooked_at DESC);--> statement-breakpoint
CREATE TABLE meter (
	fleet_id uuid NOT NULL,
	id uuid NOT NULL,
	unit_id uuid NOT NULL,
	value text NOT NULL,
	read_by uuid NOT NULL,
	read_at timestamp with time zone NOT NULL,
	recorded_at timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT meter_pk PRIMARY KEY (fleet_id, id)
);--> statement-breakpoint
CREATE INDEX meter_last ON meter (fleet_id, unit_id, read_at DESC);--> statement-breakpoint
DO $$
DECLARE each text[];
BEGIN
  FOREACH each SLICE 1 IN ARRAY ARRAY[
    ['coupling', 'unit_id', 'unit'], ['coupling', 'pulled_id', 'unit'],
    ['coupling', 'hooked_by', 'person'], ['coupling', 'dropped_by', 'person'],
    ['meter', 'unit_id', 'unit'], ['meter', 'read_by', 'person']
  ] LOOP
    EXECUTE format('ALTER TABLE %I ADD FOREIGN KEY (fleet_id, %I) REFERENCES %I (fleet_id, id)', each[1], each[2], each[3]);
  END LOOP;
END $$;--> statement-breakpoint
DO $$
DECLARE each text;
BEGIN
  FOREACH each IN ARRAY ARRAY['coupling', 'meter'] LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', each);
    EXECUTE format('ALTER TABLE %I FORCE ROW LEVEL SECURITY', each);
    EXECUTE format(
      'CREATE POLICY own_fleet ON %I USING (fleet_id = nullif(current_setting(''za.fleet'', true), '''')::uuid)',
      each);
  END LOOP;
END $$;--> statement-breakpoint
GRANT SELECT, INSERT ON coupling, meter TO axle_server;--> statement-breakpoint
GRANT UPDATE (dropped_place, dropped_by, dropped_at) ON coupling TO axle_server;
