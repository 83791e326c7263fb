-- What a fleet really uses of the outside: nothing until it says so, a connection by an open protocol, or a stand-in it chose by name.
CREATE TABLE outside (
	fleet_id uuid NOT NULL REFERENCES fleet (fleet_id),
	thing text NOT NULL,
	way text NOT NULL,
	phone text NOT NULL DEFAULT '',
	url text NOT NULL DEFAULT '',
	secret text,
	version integer NOT NULL DEFAULT 1,
	set_by uuid NOT NULL,
	set_at timestamp with time zone NOT NULL,
	CONSTRAINT outside_pk PRIMARY KEY (fleet_id, thing),
	CONSTRAINT outside_set_by FOREIGN KEY (fleet_id, set_by) REFERENCES person (fleet_id, id),
	CONSTRAINT outside_thing_known CHECK (thing = ANY ('{road-service,dispatch,gauges}'::text[])),
	CONSTRAINT outside_way_known CHECK (way = ANY ('{none,protocol,made-up}'::text[]))
);--> statement-breakpoint
-- What is told to the outside: kept until it was taken, or given up.
CREATE TABLE outside_message (
	fleet_id uuid NOT NULL REFERENCES fleet (fleet_id),
	id uuid NOT NULL,
	thing text NOT NULL,
	about uuid,
	body jsonb NOT NULL,
	shape smallint NOT NULL DEFAULT 1,
	tries integer NOT NULL DEFAULT 0,
	problem text,
	delivered_at timestamp with time zone,
	given_up_at timestamp with time zone,
	recorded_at timestamp with time zone NOT NULL DEFAULT now(),
	CONSTRAINT outside_message_pk PRIMARY KEY (fleet_id, id),
	CONSTRAINT outside_message_about FOREIGN KEY (fleet_id, about) REFERENCES unit (fleet_id, id)
);--> statement-breakpoint
CREATE INDEX outside_message_about_unit ON outside_message (fleet_id, about, recorded_at DESC);--> statement-breakpoint
-- The newest line of each kind that a dispatch system told of a unit.
CREATE TABLE dispatch_line (
	fleet_id uuid NOT NULL REFERENCES fleet (fleet_id),
	unit_number text NOT NULL,
	verb text NOT NULL,
	line text NOT NULL,
	told_at timestamp with time zone NOT NULL,
	CONSTRAINT dispatch_line_pk PRIMARY KEY (fleet_id, unit_number, verb)
);--> statement-breakpoint
-- What became of a call for help: told by hand, by the provider, or made up by the stand-in.
CREATE TABLE road_answer (
	fleet_id uuid NOT NULL REFERENCES fleet (fleet_id),
	id uuid NOT NULL,
	seq bigint GENERATED ALWAYS AS IDENTITY,
	call_id uuid NOT NULL,
	state text NOT NULL,
	source text NOT NULL,
	eta timestamp with time zone,
	words text NOT NULL DEFAULT '',
	report jsonb,
	shape smallint NOT NULL DEFAULT 1,
	told_by uuid,
	told_at timestamp with time zone NOT NULL,
	recorded_at timestamp with time zone NOT NULL DEFAULT now(),
	CONSTRAINT road_answer_pk PRIMARY KEY (fleet_id, id),
	CONSTRAINT road_answer_call FOREIGN KEY (fleet_id, call_id) REFERENCES road_call (fleet_id, id),
	CONSTRAINT road_answer_told_by FOREIGN KEY (fleet_id, told_by) REFERENCES person (fleet_id, id),
	CONSTRAINT road_answer_state_known CHECK (state = ANY ('{accepted,arrived,done,refused,cancelled}'::text[])),
	CONSTRAINT road_answer_source_known CHECK (source = ANY ('{hand,protocol,made-up}'::text[]))
);--> statement-breakpoint
CREATE INDEX road_answer_of_call ON road_answer (fleet_id, call_id, seq DESC);--> statement-breakpoint
-- Calls until now were answered by the stand-in.
ALTER TABLE road_call ADD COLUMN way text NOT NULL DEFAULT 'made-up';--> statement-breakpoint
ALTER TABLE road_call ALTER COLUMN way DROP DEFAULT;--> statement-breakpoint
ALTER TABLE road_call ADD COLUMN message_id uuid;--> statement-breakpoint
ALTER TABLE road_call ADD FOREIGN KEY (fleet_id, message_id) REFERENCES outside_message (fleet_id, id);--> statement-breakpoint
ALTER TABLE road_call ADD CONSTRAINT road_call_way_known CHECK (way = ANY ('{none,protocol,made-up}'::text[]));--> statement-breakpoint
-- Who told of a departure or a meter, where nobody of the fleet did.
ALTER TABLE departure ADD COLUMN source text NOT NULL DEFAULT 'hand';--> statement-breakpoint
ALTER TABLE departure ADD CONSTRAINT departure_source_known CHECK (source = ANY ('{hand,protocol,made-up}'::text[]));--> statement-breakpoint
ALTER TABLE meter ADD COLUMN source text NOT NULL DEFAULT 'hand';--> statement-breakpoint
ALTER TABLE meter ADD CONSTRAINT meter_source_known CHECK (source = ANY ('{hand,protocol,made-up}'::text[]));--> statement-breakpoint
-- A call for help that nobody answered yet.
ALTER TABLE yard_row ADD COLUMN help_since timestamp with time zone;--> statement-breakpoint
DO $$
DECLARE each text;
BEGIN
  FOREACH each IN ARRAY ARRAY['road_call', 'road_answer'] LOOP
    EXECUTE format('ALTER TABLE %I NO FORCE ROW LEVEL SECURITY', each);
  END LOOP;
END $$;--> statement-breakpoint
INSERT INTO road_answer (fleet_id, id, call_id, state, source, words, report, told_at)
SELECT fleet_id, gen_random_uuid(), id, 'done', 'made-up', 'Made up by the stand-in',
  '{"done": "Repaired at the roadside", "parts": "Carried along, as the invoice says", "minutes": 50, "invoice": 27667}',
  asked_at + interval '95 minutes'
FROM road_call;--> statement-breakpoint
DO $$
DECLARE each text;
BEGIN
  EXECUTE 'ALTER TABLE road_call FORCE ROW LEVEL SECURITY';
  FOREACH each IN ARRAY ARRAY['outside', 'outside_message', 'dispatch_line', 'road_answer'] LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', each);
    EXECUTE format('ALTER TABLE %I FORCE ROW LEVEL SECURITY', each);
    EXECUTE format(
      'CREATE POLICY own_fleet ON %I USING (fleet_id = nullif(current_setting(''za.fleet'', true), '''')::uuid)',
      each);
  END LOOP;
END $$;--> statement-breakpoint
GRANT SELECT, INSERT ON outside, outside_message, dispatch_line, road_answer TO axle_server;--> statement-breakpoint
GRANT UPDATE ON outside, outside_message, dispatch_line TO axle_server;--> statement-breakpoint
GRANT USAGE ON ALL SEQUENCES IN SCHEMA public TO axle_server;
