CREATE TABLE "fleet_limit" (
	"fleet_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"tightens" text NOT NULL,
	"value" text NOT NULL,
	"reason" text NOT NULL,
	"added_by" uuid NOT NULL,
	"added_at" timestamp with time zone NOT NULL,
	"withdrawn_by" uuid,
	"withdrawn_at" timestamp with time zone,
	"withdrawn_reason" text,
	CONSTRAINT "fleet_limit_fleet_id_id_pk" PRIMARY KEY("fleet_id","id")
);
--> statement-breakpoint
CREATE TABLE "fleet_route" (
	"fleet_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"definition" jsonb NOT NULL,
	"removed" boolean DEFAULT false NOT NULL,
	"saved_by" uuid NOT NULL,
	"saved_at" timestamp with time zone NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "fleet_route_fleet_id_id_pk" PRIMARY KEY("fleet_id","id")
);
--> statement-breakpoint
CREATE TABLE "photo" (
	"fleet_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"unit_id" uuid NOT NULL,
	"inspection_id" uuid,
	"defect_id" uuid,
	"key" text,
	"width" integer NOT NULL,
	"height" integer NOT NULL,
	"jpeg" "bytea" NOT NULL,
	"taken_by" uuid NOT NULL,
	"taken_at" timestamp with time zone NOT NULL,
	CONSTRAINT "photo_fleet_id_id_pk" PRIMARY KEY("fleet_id","id")
);
--> statement-breakpoint
ALTER TABLE "fleet" ADD COLUMN "schools" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "fleet" ADD COLUMN "units" jsonb DEFAULT '{"length":"in","pressure":"psi","distance":"mi","temperature":"°F"}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "fleet" ADD COLUMN "version" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "inspection" ADD COLUMN "route" jsonb;--> statement-breakpoint
ALTER TABLE "inspection" ADD COLUMN "steps" jsonb;--> statement-breakpoint
ALTER TABLE "inspection" ADD COLUMN "sections" jsonb;--> statement-breakpoint
ALTER TABLE "person" ADD COLUMN "units" jsonb;--> statement-breakpoint
ALTER TABLE "reading" ADD COLUMN "gauge" jsonb;--> statement-breakpoint
ALTER TABLE "photo" ADD CONSTRAINT "photo_fleet_id_unit_id_unit_fleet_id_id_fk" FOREIGN KEY ("fleet_id","unit_id") REFERENCES "public"."unit"("fleet_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "photo_unit" ON "photo" USING btree ("fleet_id","unit_id","taken_at" DESC NULLS FIRST);--> statement-breakpoint
CREATE INDEX "photo_inspection" ON "photo" USING btree ("fleet_id","inspection_id");--> statement-breakpoint
DO $$
DECLARE each text;
BEGIN
  FOREACH each IN ARRAY ARRAY['fleet_limit', 'fleet_route', 'photo'] LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', each);
    EXECUTE format('ALTER TABLE %I FORCE ROW LEVEL SECURITY', each);
    EXECUTE format(
      'CREATE POLICY own_fleet ON %I USING (fleet_id = nullif(current_setting(''za.fleet'', true), '''')::uuid)',
      each);
  END LOOP;
END $$;
--> statement-breakpoint
GRANT SELECT, INSERT ON fleet_limit, fleet_route, photo TO axle_server;
--> statement-breakpoint
GRANT INSERT ON paper TO axle_server;
--> statement-breakpoint
-- What may change is named column by column: everything else of these rows stays as it was written.
GRANT UPDATE (withdrawn_by, withdrawn_at, withdrawn_reason) ON fleet_limit TO axle_server;
--> statement-breakpoint
GRANT UPDATE (definition, removed, saved_by, saved_at, version) ON fleet_route TO axle_server;
--> statement-breakpoint
GRANT UPDATE (book, schools, units, version) ON fleet TO axle_server;
--> statement-breakpoint
GRANT UPDATE (units) ON person TO axle_server;
--> statement-breakpoint
GRANT UPDATE (axles) ON unit TO axle_server;
--> statement-breakpoint
GRANT UPDATE (due_on) ON paper TO axle_server;
