ALTER TABLE "event" ADD COLUMN "too_old" boolean DEFAULT false NOT NULL;
