CREATE TABLE "step_list" (
	"fleet_id" uuid NOT NULL,
	"hash" text NOT NULL,
	"steps" jsonb NOT NULL,
	"shape" smallint DEFAULT 1 NOT NULL,
	CONSTRAINT "step_list_fleet_id_hash_pk" PRIMARY KEY("fleet_id","hash")
);
--> statement-breakpoint
CREATE TABLE "yard_row" (
	"fleet_id" uuid NOT NULL,
	"unit_id" uuid NOT NULL,
	"number" text NOT NULL,
	"body" text NOT NULL,
	"kind" text NOT NULL,
	"site" text NOT NULL,
	"held" boolean NOT NULL,
	"urgency" integer NOT NULL,
	"open_defects" integer NOT NULL,
	"to_acknowledge" integer NOT NULL,
	"last_measured" timestamp with time zone,
	"verdict" text,
	"verdict_rank" integer NOT NULL,
	"due_paper" text,
	"due_on" date,
	CONSTRAINT "yard_row_fleet_id_unit_id_pk" PRIMARY KEY("fleet_id","unit_id")
);
--> statement-breakpoint
ALTER TABLE "defect" DROP CONSTRAINT "defect_fleet_id_unit_id_unit_fleet_id_id_fk";
--> statement-breakpoint
ALTER TABLE "hold" DROP CONSTRAINT "hold_fleet_id_unit_id_unit_fleet_id_id_fk";
--> statement-breakpoint
ALTER TABLE "inspection" DROP CONSTRAINT "inspection_fleet_id_unit_id_unit_fleet_id_id_fk";
--> statement-breakpoint
ALTER TABLE "job" DROP CONSTRAINT "job_fleet_id_unit_id_unit_fleet_id_id_fk";
--> statement-breakpoint
ALTER TABLE "job" DROP CONSTRAINT "job_fleet_id_bay_id_bay_fleet_id_id_fk";
--> statement-breakpoint
ALTER TABLE "paper" DROP CONSTRAINT "paper_fleet_id_unit_id_unit_fleet_id_id_fk";
--> statement-breakpoint
ALTER TABLE "photo" DROP CONSTRAINT "photo_fleet_id_unit_id_unit_fleet_id_id_fk";
--> statement-breakpoint
ALTER TABLE "reading" DROP CONSTRAINT "reading_fleet_id_inspection_id_inspection_fleet_id_id_fk";
--> statement-breakpoint
ALTER TABLE "release" DROP CONSTRAINT "release_fleet_id_unit_id_unit_fleet_id_id_fk";
--> statement-breakpoint
ALTER TABLE "session" DROP CONSTRAINT "session_fleet_id_person_id_person_fleet_id_id_fk";
--> statement-breakpoint
DROP INDEX "paper_unit";--> statement-breakpoint
ALTER TABLE "command" ADD COLUMN "shape" smallint DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "current_reading" ADD COLUMN "shape" smallint DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "event" ADD COLUMN "shape" smallint DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "fleet" RENAME COLUMN "schools" TO "policies";--> statement-breakpoint
ALTER TABLE "fleet" ADD COLUMN "shape" smallint DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "fleet_route" ADD COLUMN "shape" smallint DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "inspection" ADD COLUMN "steps_hash" text;--> statement-breakpoint
ALTER TABLE "inspection" ADD COLUMN "shape" smallint DEFAULT 1 NOT NULL;--> statement-breakpoint
-- Judgements made before keep what was not read among their findings: shape 1.
ALTER TABLE "judgement" ADD COLUMN "shape" smallint DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "judgement" ALTER COLUMN "shape" SET DEFAULT 2;--> statement-breakpoint
ALTER TABLE "person" ADD COLUMN "shape" smallint DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "reading" ADD COLUMN "shape" smallint DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "unit" ADD COLUMN "site" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "unit" ADD COLUMN "shape" smallint DEFAULT 1 NOT NULL;--> statement-breakpoint
DROP INDEX "defect_state";--> statement-breakpoint
CREATE INDEX "defect_state" ON "defect" USING btree ("fleet_id","state","reported_at" DESC NULLS FIRST,"id" DESC NULLS FIRST);--> statement-breakpoint
CREATE INDEX "yard_row_urgency" ON "yard_row" USING btree ("fleet_id","urgency","number");--> statement-breakpoint
CREATE INDEX "yard_row_number" ON "yard_row" USING btree ("fleet_id","number");--> statement-breakpoint
CREATE INDEX "yard_row_verdict" ON "yard_row" USING btree ("fleet_id","verdict_rank","number");--> statement-breakpoint
CREATE INDEX "yard_row_due" ON "yard_row" USING btree ("fleet_id","due_on","number");--> statement-breakpoint
CREATE INDEX "yard_row_measured" ON "yard_row" USING btree ("fleet_id","last_measured","number");--> statement-breakpoint
ALTER TABLE "paper" NO FORCE ROW LEVEL SECURITY;--> statement-breakpoint
-- One paper of a kind a unit: of several, the one that is good longest is the one that was renewed.
DELETE FROM "paper" p USING "paper" q WHERE p.fleet_id = q.fleet_id AND p.unit_id = q.unit_id AND p.paper = q.paper
  AND (p.due_on, p.id) < (q.due_on, q.id);--> statement-breakpoint
ALTER TABLE "paper" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "paper" ADD CONSTRAINT "paper_kind" UNIQUE("fleet_id","unit_id","paper");--> statement-breakpoint
ALTER TABLE "inspection" NO FORCE ROW LEVEL SECURITY;--> statement-breakpoint
-- The steps of a walk stand once for all units that walked the same ones.
INSERT INTO "step_list" (fleet_id, hash, steps)
  SELECT DISTINCT fleet_id, md5(steps::text), steps FROM "inspection" WHERE steps IS NOT NULL;--> statement-breakpoint
UPDATE "inspection" SET steps_hash = md5(steps::text) WHERE steps IS NOT NULL;--> statement-breakpoint
ALTER TABLE "inspection" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "inspection" DROP COLUMN "steps";
