-- A take over a mark finds it by its identity; what it was called stays beside it for people.
UPDATE take SET wish = json_set(wish, '$.markId', CAST((
    SELECT min(m.id) FROM mark m JOIN outing o ON o.place_id = m.place_id
    WHERE o.id = take.outing_id AND m.name = json_extract(take.wish, '$.mark') AND m.deleted_at IS NULL) AS TEXT))
WHERE json_extract(wish, '$.mark') IS NOT NULL AND EXISTS (
    SELECT 1 FROM mark m JOIN outing o ON o.place_id = m.place_id
    WHERE o.id = take.outing_id AND m.name = json_extract(take.wish, '$.mark') AND m.deleted_at IS NULL);
