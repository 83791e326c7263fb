ALTER TABLE job ADD COLUMN work jsonb DEFAULT '{"templates":[],"minutes":0,"people":1,"skills":[],"qualifications":[],"bay":null,"wheels":[],"steps":[],"parts":[]}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE job ADD COLUMN without jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE job ADD COLUMN shape smallint DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE certificate ADD COLUMN unneeded jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE certificate ADD COLUMN qualification text;--> statement-breakpoint
ALTER TABLE certificate ADD COLUMN shape smallint DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE torque_check ADD COLUMN axle integer CHECK (axle > 0);--> statement-breakpoint
ALTER TABLE torque_check ADD COLUMN side text CHECK (side IN ('left', 'right'));--> statement-breakpoint
ALTER TABLE torque_check ADD COLUMN holes smallint CHECK (holes > 0);--> statement-breakpoint
ALTER TABLE torque_check ADD COLUMN stage text CHECK (stage IN ('snug', 'full'));--> statement-breakpoint
ALTER TABLE torque_check ADD COLUMN calibrated date;--> statement-breakpoint
CREATE TABLE job_tick (
	fleet_id uuid NOT NULL,
	job_id uuid NOT NULL,
	step text NOT NULL,
	done boolean NOT NULL,
	ticked_by uuid NOT NULL,
	ticked_at timestamp with time zone NOT NULL,
	recorded_at timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT job_tick_pk PRIMARY KEY (fleet_id, job_id, step)
);--> statement-breakpoint
CREATE TABLE job_time (
	fleet_id uuid NOT NULL,
	id uuid NOT NULL,
	job_id uuid NOT NULL,
	person_id uuid NOT NULL,
	started_at timestamp with time zone NOT NULL,
	ended_at timestamp with time zone,
	because text CHECK (because IN ('pause', 'waits for a part', 'end of shift', 'another job', 'done')),
	recorded_at timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT job_time_pk PRIMARY KEY (fleet_id, id),
	CONSTRAINT job_time_ended CHECK ((ended_at IS NULL) = (because IS NULL) AND ended_at >= started_at)
);--> statement-breakpoint
CREATE INDEX job_time_job ON job_time (fleet_id, job_id);--> statement-breakpoint
CREATE UNIQUE INDEX job_time_running ON job_time (fleet_id, person_id) WHERE ended_at IS NULL;--> statement-breakpoint
CREATE TABLE part (
	fleet_id uuid NOT NULL,
	id text NOT NULL,
	name text NOT NULL,
	stock integer NOT NULL CHECK (stock >= 0),
	price integer NOT NULL CHECK (price >= 0),
	lead_days integer NOT NULL CHECK (lead_days >= 0),
	CONSTRAINT part_pk PRIMARY KEY (fleet_id, id)
);--> statement-breakpoint
CREATE TABLE part_use (
	fleet_id uuid NOT NULL,
	id uuid NOT NULL,
	job_id uuid NOT NULL,
	part_id text NOT NULL,
	count integer NOT NULL CHECK (count > 0),
	taken_by uuid NOT NULL,
	taken_at timestamp with time zone NOT NULL,
	recorded_at timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT part_use_pk PRIMARY KEY (fleet_id, id)
);--> statement-breakpoint
CREATE INDEX part_use_job ON part_use (fleet_id, job_id);--> statement-breakpoint
CREATE TABLE retorque (
	fleet_id uuid NOT NULL,
	id uuid NOT NULL,
	unit_id uuid NOT NULL,
	job_id uuid NOT NULL,
	wheels jsonb NOT NULL,
	shape smallint DEFAULT 1 NOT NULL,
	value text NOT NULL,
	due_on date NOT NULL,
	done_by uuid,
	done_at timestamp with time zone,
	tool text,
	moved boolean,
	lapsed boolean DEFAULT false NOT NULL,
	CONSTRAINT retorque_pk PRIMARY KEY (fleet_id, id),
	CONSTRAINT retorque_done CHECK ((done_at IS NULL) = (done_by IS NULL))
);--> statement-breakpoint
CREATE INDEX retorque_open ON retorque (fleet_id, unit_id, due_on) WHERE done_at IS NULL;--> statement-breakpoint
CREATE TABLE fleet_template (
	fleet_id uuid NOT NULL,
	id text NOT NULL,
	version integer NOT NULL CHECK (version > 0),
	definition jsonb NOT NULL,
	shape smallint DEFAULT 1 NOT NULL,
	saved_by uuid NOT NULL,
	saved_at timestamp with time zone NOT NULL,
	CONSTRAINT fleet_template_pk PRIMARY KEY (fleet_id, id)
);--> statement-breakpoint
DO $$
DECLARE each text[];
BEGIN
  FOREACH each SLICE 1 IN ARRAY ARRAY[
    ['job_tick', 'job_id', 'job'], ['job_tick', 'ticked_by', 'person'],
    ['job_time', 'job_id', 'job'], ['job_time', 'person_id', 'person'],
    ['part_use', 'job_id', 'job'], ['part_use', 'part_id', 'part'], ['part_use', 'taken_by', 'person'],
    ['retorque', 'unit_id', 'unit'], ['retorque', 'job_id', 'job'], ['retorque', 'done_by', 'person'],
    ['fleet_template', 'saved_by', 'person']
  ] LOOP
    EXECUTE format('ALTER TABLE %I ADD FOREIGN KEY (fleet_id, %I) REFERENCES %I (fleet_id, id)', each[1], each[2], each[3]);
  END LOOP;
END $$;--> statement-breakpoint
DO $$
DECLARE each text;
BEGIN
  FOREACH each IN ARRAY ARRAY['job_tick', 'job_time', 'part', 'part_use', 'retorque', 'fleet_template'] LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', each);
    EXECUTE format('ALTER TABLE %I FORCE ROW LEVEL SECURITY', each);
    EXECUTE format(
      'CREATE POLICY own_fleet ON %I USING (fleet_id = nullif(current_setting(''za.fleet'', true), '''')::uuid)',
      each);
  END LOOP;
END $$;--> statement-breakpoint
ALTER TABLE part ADD FOREIGN KEY (fleet_id) REFERENCES fleet (fleet_id);--> statement-breakpoint
GRANT SELECT, INSERT ON job_tick, job_time, part, part_use, retorque, fleet_template TO axle_server;--> statement-breakpoint
GRANT UPDATE (done, ticked_by, ticked_at, recorded_at) ON job_tick TO axle_server;--> statement-breakpoint
GRANT UPDATE (ended_at, because) ON job_time TO axle_server;--> statement-breakpoint
GRANT UPDATE (name, stock, price, lead_days) ON part TO axle_server;--> statement-breakpoint
GRANT UPDATE (done_by, done_at, tool, moved, lapsed) ON retorque TO axle_server;--> statement-breakpoint
GRANT UPDATE (version, definition, saved_by, saved_at) ON fleet_template TO axle_server;
