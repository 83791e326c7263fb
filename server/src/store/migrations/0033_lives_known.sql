-- A part may be found to have been renewed: its life begins without a job of this shop.
ALTER TABLE fitted_part ALTER COLUMN job_id DROP NOT NULL;
