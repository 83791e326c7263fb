-- An examiner marks half of what was said without its state or its figure.
ALTER TABLE exam_mark ADD COLUMN half boolean NOT NULL DEFAULT false;--> statement-breakpoint
GRANT UPDATE (half) ON exam_mark TO axle_server;
