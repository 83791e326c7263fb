CREATE TABLE "acknowledgement" (
	"fleet_id" uuid NOT NULL,
	"defect_id" uuid NOT NULL,
	"acknowledged_by" uuid NOT NULL,
	"acknowledged_at" timestamp with time zone NOT NULL,
	CONSTRAINT "acknowledgement_fleet_id_defect_id_pk" PRIMARY KEY("fleet_id","defect_id")
);
--> statement-breakpoint
CREATE TABLE "bay" (
	"fleet_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"rank" integer NOT NULL,
	CONSTRAINT "bay_fleet_id_id_pk" PRIMARY KEY("fleet_id","id")
);
--> statement-breakpoint
CREATE TABLE "certificate" (
	"fleet_id" uuid NOT NULL,
	"job_id" uuid NOT NULL,
	"statement" text NOT NULL,
	"signed_by" uuid NOT NULL,
	"signed_at" timestamp with time zone NOT NULL,
	CONSTRAINT "certificate_fleet_id_job_id_pk" PRIMARY KEY("fleet_id","job_id")
);
--> statement-breakpoint
CREATE TABLE "command" (
	"fleet_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"hash" text NOT NULL,
	"person_id" uuid NOT NULL,
	"answer" jsonb NOT NULL,
	"recorded_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "command_fleet_id_id_pk" PRIMARY KEY("fleet_id","id")
);
--> statement-breakpoint
CREATE TABLE "current_reading" (
	"fleet_id" uuid NOT NULL,
	"unit_id" uuid NOT NULL,
	"key" text NOT NULL,
	"reading_id" uuid NOT NULL,
	"inspection_id" uuid NOT NULL,
	"value" jsonb NOT NULL,
	"verdict" text NOT NULL,
	"taken_at" timestamp with time zone NOT NULL,
	CONSTRAINT "current_reading_fleet_id_unit_id_key_pk" PRIMARY KEY("fleet_id","unit_id","key")
);
--> statement-breakpoint
CREATE TABLE "defect" (
	"fleet_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"unit_id" uuid NOT NULL,
	"code" text NOT NULL,
	"axle" integer,
	"side" text,
	"tyre" text,
	"words" text NOT NULL,
	"origin" text NOT NULL,
	"inspection_id" uuid,
	"reported_by" uuid NOT NULL,
	"reported_at" timestamp with time zone NOT NULL,
	"state" text NOT NULL,
	"holds" boolean NOT NULL,
	"job_id" uuid,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "defect_fleet_id_id_pk" PRIMARY KEY("fleet_id","id")
);
--> statement-breakpoint
CREATE TABLE "event" (
	"fleet_id" uuid NOT NULL,
	"id" bigint GENERATED ALWAYS AS IDENTITY (sequence name "event_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 9223372036854775807 START WITH 1 CACHE 1),
	"type" text NOT NULL,
	"unit_id" uuid,
	"person_id" uuid NOT NULL,
	"command_id" uuid NOT NULL,
	"body" jsonb NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"recorded_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "event_fleet_id_id_pk" PRIMARY KEY("fleet_id","id")
);
--> statement-breakpoint
CREATE TABLE "fleet" (
	"fleet_id" uuid PRIMARY KEY NOT NULL,
	"slug" text NOT NULL,
	"name" text NOT NULL,
	"zone" text NOT NULL,
	"book" text NOT NULL,
	CONSTRAINT "fleet_slug_unique" UNIQUE("slug")
);
--> statement-breakpoint
CREATE TABLE "hold" (
	"fleet_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"unit_id" uuid NOT NULL,
	"reason" text NOT NULL,
	"placed_by" uuid NOT NULL,
	"placed_at" timestamp with time zone NOT NULL,
	CONSTRAINT "hold_fleet_id_id_pk" PRIMARY KEY("fleet_id","id")
);
--> statement-breakpoint
CREATE TABLE "hold_released" (
	"fleet_id" uuid NOT NULL,
	"hold_id" uuid NOT NULL,
	"release_id" uuid NOT NULL,
	CONSTRAINT "hold_released_fleet_id_hold_id_pk" PRIMARY KEY("fleet_id","hold_id")
);
--> statement-breakpoint
CREATE TABLE "inspection" (
	"fleet_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"unit_id" uuid NOT NULL,
	"purpose" text NOT NULL,
	"job_id" uuid,
	"started_by" uuid NOT NULL,
	"started_at" timestamp with time zone NOT NULL,
	"closed_at" timestamp with time zone,
	"outcome" text,
	"because" text,
	"verdict" text,
	CONSTRAINT "inspection_fleet_id_id_pk" PRIMARY KEY("fleet_id","id")
);
--> statement-breakpoint
CREATE TABLE "job" (
	"fleet_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"unit_id" uuid NOT NULL,
	"title" text NOT NULL,
	"state" text NOT NULL,
	"minutes" integer NOT NULL,
	"wheels_off" boolean NOT NULL,
	"bay_id" uuid,
	"day" date,
	"done" text,
	"done_at" timestamp with time zone,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "job_fleet_id_id_pk" PRIMARY KEY("fleet_id","id")
);
--> statement-breakpoint
CREATE TABLE "judgement" (
	"fleet_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"seq" bigint GENERATED ALWAYS AS IDENTITY (sequence name "judgement_seq_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 9223372036854775807 START WITH 1 CACHE 1),
	"inspection_id" uuid NOT NULL,
	"unit_id" uuid NOT NULL,
	"book" text NOT NULL,
	"edition" text NOT NULL,
	"verdict" text NOT NULL,
	"complete" boolean NOT NULL,
	"brakes" jsonb NOT NULL,
	"findings" jsonb NOT NULL,
	"judged_at" timestamp with time zone NOT NULL,
	CONSTRAINT "judgement_fleet_id_id_pk" PRIMARY KEY("fleet_id","id")
);
--> statement-breakpoint
CREATE TABLE "paper" (
	"fleet_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"unit_id" uuid NOT NULL,
	"paper" text NOT NULL,
	"due_on" date NOT NULL,
	CONSTRAINT "paper_fleet_id_id_pk" PRIMARY KEY("fleet_id","id")
);
--> statement-breakpoint
CREATE TABLE "person" (
	"fleet_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"sign_in" text NOT NULL,
	"name" text NOT NULL,
	"role" text NOT NULL,
	"password_hash" text NOT NULL,
	"active" boolean DEFAULT true NOT NULL,
	CONSTRAINT "person_fleet_id_id_pk" PRIMARY KEY("fleet_id","id"),
	CONSTRAINT "person_sign_in" UNIQUE("fleet_id","sign_in")
);
--> statement-breakpoint
CREATE TABLE "reading" (
	"fleet_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"inspection_id" uuid NOT NULL,
	"unit_id" uuid NOT NULL,
	"key" text NOT NULL,
	"value" jsonb NOT NULL,
	"taken_by" uuid NOT NULL,
	"taken_at" timestamp with time zone NOT NULL,
	"recorded_at" timestamp with time zone DEFAULT now() NOT NULL,
	"supersedes" uuid,
	CONSTRAINT "reading_fleet_id_id_pk" PRIMARY KEY("fleet_id","id"),
	CONSTRAINT "reading_supersedes" UNIQUE("fleet_id","supersedes")
);
--> statement-breakpoint
CREATE TABLE "release" (
	"fleet_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"unit_id" uuid NOT NULL,
	"statement" text NOT NULL,
	"signed_by" uuid NOT NULL,
	"signed_at" timestamp with time zone NOT NULL,
	CONSTRAINT "release_fleet_id_id_pk" PRIMARY KEY("fleet_id","id")
);
--> statement-breakpoint
CREATE TABLE "session" (
	"fleet_id" uuid NOT NULL,
	"token_hash" text NOT NULL,
	"person_id" uuid NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	CONSTRAINT "session_fleet_id_token_hash_pk" PRIMARY KEY("fleet_id","token_hash")
);
--> statement-breakpoint
CREATE TABLE "skip" (
	"fleet_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"inspection_id" uuid NOT NULL,
	"key" text NOT NULL,
	"reason" text NOT NULL,
	"skipped_by" uuid NOT NULL,
	"skipped_at" timestamp with time zone NOT NULL,
	CONSTRAINT "skip_fleet_id_id_pk" PRIMARY KEY("fleet_id","id")
);
--> statement-breakpoint
CREATE TABLE "torque_check" (
	"fleet_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"job_id" uuid NOT NULL,
	"value" text NOT NULL,
	"tool" text NOT NULL,
	"checked_by" uuid NOT NULL,
	"checked_at" timestamp with time zone NOT NULL,
	CONSTRAINT "torque_check_fleet_id_id_pk" PRIMARY KEY("fleet_id","id")
);
--> statement-breakpoint
CREATE TABLE "unit" (
	"fleet_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"number" text NOT NULL,
	"body" text NOT NULL,
	"kind" text NOT NULL,
	"axles" jsonb NOT NULL,
	CONSTRAINT "unit_fleet_id_id_pk" PRIMARY KEY("fleet_id","id"),
	CONSTRAINT "unit_number" UNIQUE("fleet_id","number")
);
--> statement-breakpoint
ALTER TABLE "defect" ADD CONSTRAINT "defect_fleet_id_unit_id_unit_fleet_id_id_fk" FOREIGN KEY ("fleet_id","unit_id") REFERENCES "public"."unit"("fleet_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "hold" ADD CONSTRAINT "hold_fleet_id_unit_id_unit_fleet_id_id_fk" FOREIGN KEY ("fleet_id","unit_id") REFERENCES "public"."unit"("fleet_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "inspection" ADD CONSTRAINT "inspection_fleet_id_unit_id_unit_fleet_id_id_fk" FOREIGN KEY ("fleet_id","unit_id") REFERENCES "public"."unit"("fleet_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "job" ADD CONSTRAINT "job_fleet_id_unit_id_unit_fleet_id_id_fk" FOREIGN KEY ("fleet_id","unit_id") REFERENCES "public"."unit"("fleet_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "job" ADD CONSTRAINT "job_fleet_id_bay_id_bay_fleet_id_id_fk" FOREIGN KEY ("fleet_id","bay_id") REFERENCES "public"."bay"("fleet_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "paper" ADD CONSTRAINT "paper_fleet_id_unit_id_unit_fleet_id_id_fk" FOREIGN KEY ("fleet_id","unit_id") REFERENCES "public"."unit"("fleet_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "reading" ADD CONSTRAINT "reading_fleet_id_inspection_id_inspection_fleet_id_id_fk" FOREIGN KEY ("fleet_id","inspection_id") REFERENCES "public"."inspection"("fleet_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "release" ADD CONSTRAINT "release_fleet_id_unit_id_unit_fleet_id_id_fk" FOREIGN KEY ("fleet_id","unit_id") REFERENCES "public"."unit"("fleet_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "session" ADD CONSTRAINT "session_fleet_id_person_id_person_fleet_id_id_fk" FOREIGN KEY ("fleet_id","person_id") REFERENCES "public"."person"("fleet_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "defect_unit" ON "defect" USING btree ("fleet_id","unit_id","state");--> statement-breakpoint
CREATE INDEX "defect_state" ON "defect" USING btree ("fleet_id","state");--> statement-breakpoint
CREATE INDEX "defect_job" ON "defect" USING btree ("fleet_id","job_id");--> statement-breakpoint
CREATE INDEX "hold_unit" ON "hold" USING btree ("fleet_id","unit_id");--> statement-breakpoint
CREATE INDEX "inspection_unit" ON "inspection" USING btree ("fleet_id","unit_id","started_at" DESC NULLS FIRST);--> statement-breakpoint
CREATE INDEX "job_unit" ON "job" USING btree ("fleet_id","unit_id");--> statement-breakpoint
CREATE INDEX "job_state" ON "job" USING btree ("fleet_id","state");--> statement-breakpoint
CREATE INDEX "judgement_inspection" ON "judgement" USING btree ("fleet_id","inspection_id","seq" DESC NULLS FIRST);--> statement-breakpoint
CREATE INDEX "paper_unit" ON "paper" USING btree ("fleet_id","unit_id","due_on");--> statement-breakpoint
CREATE INDEX "reading_inspection" ON "reading" USING btree ("fleet_id","inspection_id");--> statement-breakpoint
CREATE INDEX "skip_inspection" ON "skip" USING btree ("fleet_id","inspection_id");--> statement-breakpoint
CREATE INDEX "torque_check_job" ON "torque_check" USING btree ("fleet_id","job_id");