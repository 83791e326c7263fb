CREATE TABLE forecast_unit (
	fleet_id uuid NOT NULL,
	unit_id uuid NOT NULL,
	made_at timestamp with time zone NOT NULL,
	CONSTRAINT forecast_unit_pk PRIMARY KEY (fleet_id, unit_id)
);--> statement-breakpoint
CREATE TABLE forecast (
	fleet_id uuid NOT NULL,
	unit_id uuid NOT NULL,
	key text NOT NULL,
	kind text NOT NULL,
	axle integer,
	side text CHECK (side IN ('left', 'right')),
	tyre text CHECK (tyre IN ('single', 'inner', 'outer')),
	state text NOT NULL CHECK (state IN ('foreseen', 'past')),
	whose text NOT NULL CHECK (whose IN ('law', 'maker', 'fleet')),
	value text NOT NULL,
	due_on date NOT NULL,
	earliest date,
	latest date,
	CONSTRAINT forecast_pk PRIMARY KEY (fleet_id, unit_id, key)
);--> statement-breakpoint
CREATE TABLE forecast_declined (
	fleet_id uuid NOT NULL,
	unit_id uuid NOT NULL,
	key text NOT NULL,
	seen timestamp with time zone NOT NULL,
	declined_by uuid NOT NULL,
	declined_at timestamp with time zone NOT NULL,
	CONSTRAINT forecast_declined_pk PRIMARY KEY (fleet_id, unit_id, key)
);--> statement-breakpoint
ALTER TABLE forecast_declined ADD FOREIGN KEY (fleet_id, declined_by) REFERENCES person (fleet_id, id);--> statement-breakpoint
CREATE INDEX forecast_due ON forecast (fleet_id, due_on, unit_id, key);--> statement-breakpoint
DO $$
DECLARE each text;
BEGIN
  FOREACH each IN ARRAY ARRAY['forecast_unit', 'forecast', 'forecast_declined'] LOOP
    EXECUTE format('ALTER TABLE %I ADD FOREIGN KEY (fleet_id, unit_id) REFERENCES unit (fleet_id, id)', each);
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', each);
    EXECUTE format('ALTER TABLE %I FORCE ROW LEVEL SECURITY', each);
    EXECUTE format(
      'CREATE POLICY own_fleet ON %I USING (fleet_id = nullif(current_setting(''za.fleet'', true), '''')::uuid)',
      each);
    EXECUTE format('GRANT SELECT, INSERT, UPDATE, DELETE ON %I TO axle_server', each);
  END LOOP;
END $$;
