CREATE TABLE practice_task (
	fleet_id uuid NOT NULL REFERENCES fleet (fleet_id),
	id uuid NOT NULL,
	name text NOT NULL,
	person_id uuid,
	exercise jsonb NOT NULL,
	due_on date,
	pass integer NOT NULL CHECK (pass BETWEEN 1 AND 100),
	set_by uuid NOT NULL,
	withdrawn_at timestamp with time zone,
	shape smallint NOT NULL DEFAULT 1,
	recorded_at timestamp with time zone NOT NULL DEFAULT now(),
	CONSTRAINT practice_task_pk PRIMARY KEY (fleet_id, id)
);--> statement-breakpoint
CREATE TABLE practice_result (
	fleet_id uuid NOT NULL REFERENCES fleet (fleet_id),
	id uuid NOT NULL,
	person_id uuid NOT NULL,
	task_id uuid,
	exercise jsonb NOT NULL,
	marks integer NOT NULL CHECK (marks BETWEEN 0 AND 100),
	seconds integer NOT NULL,
	items jsonb NOT NULL,
	off jsonb NOT NULL,
	finished_at timestamp with time zone NOT NULL,
	shape smallint NOT NULL DEFAULT 1,
	recorded_at timestamp with time zone NOT NULL DEFAULT now(),
	CONSTRAINT practice_result_pk PRIMARY KEY (fleet_id, id)
);--> statement-breakpoint
CREATE INDEX practice_result_person ON practice_result (fleet_id, person_id, finished_at);--> statement-breakpoint
CREATE TABLE practice_now (
	fleet_id uuid NOT NULL REFERENCES fleet (fleet_id),
	person_id uuid NOT NULL,
	task_id uuid,
	words text NOT NULL,
	done integer NOT NULL,
	"of" integer NOT NULL,
	at timestamp with time zone NOT NULL,
	CONSTRAINT practice_now_pk PRIMARY KEY (fleet_id, person_id)
);--> statement-breakpoint
CREATE TABLE practice_exam (
	fleet_id uuid NOT NULL REFERENCES fleet (fleet_id),
	id uuid NOT NULL,
	code text NOT NULL,
	learner_id uuid NOT NULL,
	form text NOT NULL,
	cards jsonb NOT NULL,
	opened_at timestamp with time zone NOT NULL,
	shape smallint NOT NULL DEFAULT 1,
	CONSTRAINT practice_exam_pk PRIMARY KEY (fleet_id, id)
);--> statement-breakpoint
CREATE INDEX practice_exam_code ON practice_exam (fleet_id, code);--> statement-breakpoint
CREATE TABLE exam_mark (
	fleet_id uuid NOT NULL REFERENCES fleet (fleet_id),
	exam_id uuid NOT NULL,
	card text NOT NULL,
	said boolean NOT NULL,
	marked_by uuid NOT NULL,
	marked_at timestamp with time zone NOT NULL,
	CONSTRAINT exam_mark_pk PRIMARY KEY (fleet_id, exam_id, card)
);--> statement-breakpoint
ALTER TABLE practice_task ADD FOREIGN KEY (fleet_id, person_id) REFERENCES person (fleet_id, id);--> statement-breakpoint
ALTER TABLE practice_task ADD FOREIGN KEY (fleet_id, set_by) REFERENCES person (fleet_id, id);--> statement-breakpoint
ALTER TABLE practice_result ADD FOREIGN KEY (fleet_id, person_id) REFERENCES person (fleet_id, id);--> statement-breakpoint
ALTER TABLE practice_result ADD FOREIGN KEY (fleet_id, task_id) REFERENCES practice_task (fleet_id, id);--> statement-breakpoint
ALTER TABLE practice_now ADD FOREIGN KEY (fleet_id, person_id) REFERENCES person (fleet_id, id);--> statement-breakpoint
ALTER TABLE practice_now ADD FOREIGN KEY (fleet_id, task_id) REFERENCES practice_task (fleet_id, id);--> statement-breakpoint
ALTER TABLE practice_exam ADD FOREIGN KEY (fleet_id, learner_id) REFERENCES person (fleet_id, id);--> statement-breakpoint
ALTER TABLE exam_mark ADD FOREIGN KEY (fleet_id, exam_id) REFERENCES practice_exam (fleet_id, id);--> statement-breakpoint
ALTER TABLE exam_mark ADD FOREIGN KEY (fleet_id, marked_by) REFERENCES person (fleet_id, id);--> statement-breakpoint
DO $$
DECLARE each text;
BEGIN
  FOREACH each IN ARRAY ARRAY['practice_task', 'practice_result', 'practice_now', 'practice_exam', 'exam_mark'] LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', each);
    EXECUTE format('ALTER TABLE %I FORCE ROW LEVEL SECURITY', each);
    EXECUTE format(
      'CREATE POLICY own_fleet ON %I USING (fleet_id = nullif(current_setting(''za.fleet'', true), '''')::uuid)',
      each);
    EXECUTE format('GRANT SELECT, INSERT ON %I TO axle_server', each);
  END LOOP;
END $$;--> statement-breakpoint
GRANT UPDATE (withdrawn_at) ON practice_task TO axle_server;--> statement-breakpoint
GRANT UPDATE (task_id, words, done, "of", at) ON practice_now TO axle_server;--> statement-breakpoint
GRANT DELETE ON practice_now TO axle_server;--> statement-breakpoint
GRANT UPDATE (said, marked_by, marked_at) ON exam_mark TO axle_server;
