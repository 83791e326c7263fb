CREATE INDEX photo_defect ON photo (fleet_id, defect_id) WHERE defect_id IS NOT NULL;
