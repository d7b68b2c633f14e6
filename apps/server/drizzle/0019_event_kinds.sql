DROP INDEX "event_subject_id_index";--> statement-breakpoint
CREATE INDEX "event_subject_id_kind_index" ON "event" USING btree ("subject_id","kind");