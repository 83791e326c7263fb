ALTER TABLE retorque ADD COLUMN due_meter text;
