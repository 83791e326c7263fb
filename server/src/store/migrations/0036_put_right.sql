-- What was tied up on the spot is a closed finding.
ALTER TABLE defect DROP CONSTRAINT defect_state_known;--> statement-breakpoint
ALTER TABLE defect ADD CONSTRAINT defect_state_known CHECK (state = ANY
  ('{reported,measuring,deferred,triaged,planned,done,certified,acknowledged,joined,no-fault,dismissed,put-right,withdrawn}'::text[]));
