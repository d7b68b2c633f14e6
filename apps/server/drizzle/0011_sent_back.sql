-- Send-backs of old true-ups become facts of their pieces.
INSERT INTO "event" ("workshop_id", "person_id", "at", "kind", "subject_id", "fact")
SELECT "workshop_id", "person_id", coalesce("finished_at", "updated_at"), 'pieceSentBack', "piece_id", jsonb_build_object('kind', 'pieceSentBack', 'pieceId', "piece_id", 'reason', "note")
FROM "true_up" WHERE "state" = 'sentBack' AND "deleted_at" IS NULL;
