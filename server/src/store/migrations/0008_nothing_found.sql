CREATE TABLE "clean_report" (
	"fleet_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"unit_id" uuid NOT NULL,
	"reported_by" uuid NOT NULL,
	"reported_at" timestamp with time zone NOT NULL,
	"recorded_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "clean_report_fleet_id_id_pk" PRIMARY KEY("fleet_id","id"),
	CONSTRAINT "clean_report_unit" FOREIGN KEY (fleet_id, unit_id) REFERENCES unit (fleet_id, id),
	CONSTRAINT "clean_report_reported_by" FOREIGN KEY (fleet_id, reported_by) REFERENCES person (fleet_id, id)
);
--> statement-breakpoint
CREATE INDEX "clean_report_of_unit" ON "clean_report" USING btree ("fleet_id","unit_id","reported_at" DESC NULLS FIRST);--> statement-breakpoint
ALTER TABLE clean_report ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE clean_report FORCE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE POLICY own_fleet ON clean_report USING (fleet_id = nullif(current_setting('za.fleet', true), '')::uuid);--> statement-breakpoint
GRANT SELECT, INSERT ON clean_report TO axle_server;
