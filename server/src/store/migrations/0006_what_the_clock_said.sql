ALTER TABLE "reading" ADD COLUMN "said_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "event" ADD COLUMN "said_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "certificate" ADD COLUMN "recorded_at" timestamp with time zone DEFAULT now() NOT NULL;--> statement-breakpoint
ALTER TABLE "job" ADD COLUMN "done_recorded_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "job" ADD COLUMN "done_by" uuid;--> statement-breakpoint
ALTER TABLE "current_reading" ADD COLUMN "taken_by" uuid;--> statement-breakpoint
ALTER TABLE "current_reading" ADD COLUMN "recorded_at" timestamp with time zone DEFAULT now() NOT NULL;--> statement-breakpoint
ALTER TABLE "current_reading" ADD COLUMN "doubtful" boolean DEFAULT false NOT NULL;--> statement-breakpoint
DO $$
DECLARE each text;
BEGIN
  FOREACH each IN ARRAY ARRAY['reading', 'current_reading', 'job', 'certificate', 'event'] LOOP
    EXECUTE format('ALTER TABLE %I NO FORCE ROW LEVEL SECURITY', each);
  END LOOP;
END $$;
--> statement-breakpoint
UPDATE "current_reading" c SET "taken_by" = r.taken_by, "recorded_at" = r.recorded_at
FROM "reading" r WHERE r.fleet_id = c.fleet_id AND r.id = c.reading_id;
--> statement-breakpoint
UPDATE "certificate" SET "recorded_at" = "signed_at";
--> statement-breakpoint
UPDATE "job" j SET "done_recorded_at" = e.recorded_at, "done_by" = e.person_id
FROM (SELECT DISTINCT ON (fleet_id, body->>'job') fleet_id, body->>'job' AS job, recorded_at, person_id
  FROM "event" WHERE type = 'finish-job' ORDER BY fleet_id, body->>'job', id DESC) e
WHERE j.done_at IS NOT NULL AND e.fleet_id = j.fleet_id AND e.job = j.id::text;
--> statement-breakpoint
DO $$
DECLARE each text;
BEGIN
  FOREACH each IN ARRAY ARRAY['reading', 'current_reading', 'job', 'certificate', 'event'] LOOP
    EXECUTE format('ALTER TABLE %I FORCE ROW LEVEL SECURITY', each);
  END LOOP;
END $$;
--> statement-breakpoint
ALTER TABLE "current_reading" ALTER COLUMN "taken_by" SET NOT NULL;
--> statement-breakpoint
ALTER TABLE "current_reading" ADD CONSTRAINT "current_reading_taken_by" FOREIGN KEY (fleet_id, taken_by) REFERENCES person (fleet_id, id);
--> statement-breakpoint
ALTER TABLE "job" ADD CONSTRAINT "job_done_by" FOREIGN KEY (fleet_id, done_by) REFERENCES person (fleet_id, id);
