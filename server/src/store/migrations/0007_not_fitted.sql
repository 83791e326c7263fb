ALTER TABLE "unit" ADD COLUMN "not_fitted" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
GRANT UPDATE (not_fitted) ON unit TO axle_server;
