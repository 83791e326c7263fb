CREATE INDEX "reading_place" ON "reading" USING btree ("fleet_id","unit_id","key","taken_at" DESC NULLS FIRST);
