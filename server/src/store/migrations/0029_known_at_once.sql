-- What was saved is known at once: which inspection holds a unit, and what a corrected reading took back.
ALTER TABLE hold ADD COLUMN inspection_id uuid;--> statement-breakpoint
ALTER TABLE hold ADD FOREIGN KEY (fleet_id, inspection_id) REFERENCES inspection (fleet_id, id);--> statement-breakpoint
ALTER TABLE hold_released ALTER COLUMN release_id DROP NOT NULL;--> statement-breakpoint
ALTER TABLE hold_released ADD COLUMN reading_id uuid;--> statement-breakpoint
ALTER TABLE hold_released ADD FOREIGN KEY (fleet_id, reading_id) REFERENCES reading (fleet_id, id);--> statement-breakpoint
ALTER TABLE hold_released ADD CONSTRAINT hold_released_by_one CHECK ((release_id IS NULL) <> (reading_id IS NULL));--> statement-breakpoint
ALTER TABLE defect ADD COLUMN verdict text;--> statement-breakpoint
ALTER TABLE defect ADD CONSTRAINT defect_verdict_known
  CHECK (verdict = ANY ('{out-of-service,violation,shop-limit,within,not-judged}'::text[]));--> statement-breakpoint
ALTER TABLE defect DROP CONSTRAINT defect_state_known;--> statement-breakpoint
ALTER TABLE defect ADD CONSTRAINT defect_state_known CHECK (state = ANY
  ('{reported,measuring,deferred,triaged,planned,done,certified,acknowledged,joined,no-fault,dismissed,withdrawn}'::text[]));--> statement-breakpoint
-- An inspection begun by mistake is dropped: it reads nothing more; what it read stands.
ALTER TABLE inspection ADD COLUMN dropped_at timestamp with time zone;--> statement-breakpoint
ALTER TABLE inspection ADD COLUMN dropped_by uuid;--> statement-breakpoint
ALTER TABLE inspection ADD COLUMN dropped_because text;--> statement-breakpoint
ALTER TABLE inspection ADD FOREIGN KEY (fleet_id, dropped_by) REFERENCES person (fleet_id, id);--> statement-breakpoint
ALTER TABLE inspection ADD CONSTRAINT inspection_dropped_open CHECK (dropped_at IS NULL OR closed_at IS NULL);--> statement-breakpoint
CREATE INDEX inspection_open ON inspection (fleet_id, unit_id) WHERE closed_at IS NULL AND dropped_at IS NULL;--> statement-breakpoint
-- What was looked at of a unit, when and by whom; and whether what stands waits to be judged by rules that changed.
ALTER TABLE yard_row ADD COLUMN looked jsonb NOT NULL DEFAULT '[]';--> statement-breakpoint
ALTER TABLE yard_row ADD COLUMN shape smallint NOT NULL DEFAULT 1;--> statement-breakpoint
ALTER TABLE yard_row ADD COLUMN walked_at timestamp with time zone;--> statement-breakpoint
ALTER TABLE yard_row ADD COLUMN walked_by text;--> statement-breakpoint
ALTER TABLE yard_row ADD COLUMN inspecting_since timestamp with time zone;--> statement-breakpoint
ALTER TABLE yard_row ADD COLUMN inspecting_by text;--> statement-breakpoint
ALTER TABLE yard_row ADD COLUMN judging boolean NOT NULL DEFAULT true;--> statement-breakpoint
ALTER TABLE yard_row ALTER COLUMN judging SET DEFAULT false;--> statement-breakpoint
CREATE INDEX yard_row_judging ON yard_row (fleet_id, unit_id) WHERE judging;
--> statement-breakpoint
-- A signature says what was seen: nothing, or that the unit is held; and how many defects were known to be open then.
ALTER TABLE clean_report ADD COLUMN says text NOT NULL DEFAULT 'nothing-found';--> statement-breakpoint
ALTER TABLE clean_report ADD CONSTRAINT clean_report_says_known CHECK (says = ANY ('{nothing-found,held}'::text[]));--> statement-breakpoint
ALTER TABLE clean_report ADD COLUMN known integer CHECK (known >= 0);
