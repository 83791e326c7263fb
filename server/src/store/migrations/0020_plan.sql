ALTER TABLE bay ADD COLUMN work jsonb NOT NULL DEFAULT '{"kinds":[],"hours":[],"closed":[]}',
  ADD COLUMN shape smallint NOT NULL DEFAULT 1;--> statement-breakpoint
ALTER TABLE fleet ADD COLUMN holidays jsonb NOT NULL DEFAULT '[]';--> statement-breakpoint
UPDATE person SET work = work || '{"away":[]}'::jsonb WHERE NOT work ? 'away';--> statement-breakpoint
ALTER TABLE person ALTER COLUMN work SET DEFAULT '{"skills":[],"qualifications":[],"shifts":[],"away":[]}';--> statement-breakpoint
CREATE TABLE departure (
	fleet_id uuid NOT NULL,
	unit_id uuid NOT NULL,
	leaves_at timestamp with time zone NOT NULL,
	leaves_to text NOT NULL,
	told_by uuid NOT NULL,
	told_at timestamp with time zone NOT NULL,
	CONSTRAINT departure_pk PRIMARY KEY (fleet_id, unit_id)
);--> statement-breakpoint
CREATE TABLE shop_plan (
	fleet_id uuid NOT NULL,
	version integer NOT NULL,
	published_by uuid NOT NULL,
	published_at timestamp with time zone NOT NULL,
	CONSTRAINT shop_plan_pk PRIMARY KEY (fleet_id)
);--> statement-breakpoint
CREATE TABLE plan_slot (
	fleet_id uuid NOT NULL,
	job_id uuid NOT NULL,
	bay_id uuid NOT NULL,
	technicians jsonb NOT NULL,
	starts_at timestamp with time zone NOT NULL,
	ends_at timestamp with time zone NOT NULL CHECK (ends_at > starts_at),
	setup_minutes integer NOT NULL CHECK (setup_minutes >= 0),
	pinned boolean NOT NULL,
	shape smallint DEFAULT 1 NOT NULL,
	CONSTRAINT plan_slot_pk PRIMARY KEY (fleet_id, job_id)
);--> statement-breakpoint
CREATE TABLE plan_run (
	fleet_id uuid NOT NULL,
	id uuid NOT NULL,
	how text NOT NULL CHECK (how IN ('anew', 'again')),
	state text NOT NULL CHECK (state IN ('waiting', 'searching', 'found', 'cancelled', 'failed', 'taken', 'put aside')),
	asked_by uuid,
	because text,
	asked_at timestamp with time zone NOT NULL,
	from_version integer NOT NULL,
	seconds integer NOT NULL,
	signature text,
	request jsonb NOT NULL,
	before jsonb NOT NULL,
	attempt integer NOT NULL DEFAULT 0,
	progress jsonb,
	answer jsonb,
	problem text,
	shape smallint DEFAULT 1 NOT NULL,
	began_at timestamp with time zone,
	ended_at timestamp with time zone,
	recorded_at timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT plan_run_pk PRIMARY KEY (fleet_id, id)
);--> statement-breakpoint
CREATE INDEX plan_run_open ON plan_run (fleet_id, asked_at DESC) WHERE state IN ('waiting', 'searching', 'found', 'cancelled', 'failed');--> statement-breakpoint
DO $$
DECLARE each text[];
BEGIN
  FOREACH each SLICE 1 IN ARRAY ARRAY[
    ['departure', 'unit_id', 'unit'], ['departure', 'told_by', 'person'], ['shop_plan', 'published_by', 'person'],
    ['plan_slot', 'job_id', 'job'], ['plan_slot', 'bay_id', 'bay'], ['plan_run', 'asked_by', 'person']
  ] LOOP
    EXECUTE format('ALTER TABLE %I ADD FOREIGN KEY (fleet_id, %I) REFERENCES %I (fleet_id, id)', each[1], each[2], each[3]);
  END LOOP;
END $$;--> statement-breakpoint
DO $$
DECLARE each text;
BEGIN
  FOREACH each IN ARRAY ARRAY['departure', 'shop_plan', 'plan_slot', 'plan_run'] LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', each);
    EXECUTE format('ALTER TABLE %I FORCE ROW LEVEL SECURITY', each);
    EXECUTE format(
      'CREATE POLICY own_fleet ON %I USING (fleet_id = nullif(current_setting(''za.fleet'', true), '''')::uuid)',
      each);
  END LOOP;
END $$;--> statement-breakpoint
GRANT SELECT, INSERT ON departure, shop_plan, plan_slot, plan_run TO axle_server;--> statement-breakpoint
GRANT UPDATE, DELETE ON departure, plan_slot TO axle_server;--> statement-breakpoint
GRANT UPDATE ON shop_plan TO axle_server;--> statement-breakpoint
GRANT UPDATE (state, attempt, progress, answer, problem, began_at, ended_at) ON plan_run TO axle_server;--> statement-breakpoint
GRANT UPDATE (holidays, version) ON fleet TO axle_server;
--> statement-breakpoint
GRANT UPDATE (work) ON bay TO axle_server;
