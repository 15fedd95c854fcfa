-- A frame keeps what its rig was: the rig may become another, or be deleted, while the round is open.
ALTER TABLE practice_frame ADD COLUMN rig TEXT CHECK (rig IS NULL OR json_valid(rig));

UPDATE practice_frame SET rig = (
    SELECT json_object(
        'id', r.id,
        'name', r.name,
        'body', json_patch(b.fields, json_object('name', b.name)),
        'lens', json_patch(l.fields, json_object('name', l.name)),
        'gear', (SELECT json_group_array(json_patch(g.fields, json_object(
                     'kind', lower(replace(g.kind, '_', '-')), 'name', g.name, 'weight', g.weight_g)))
                 FROM (SELECT gear.* FROM rig_gear JOIN gear ON gear.id = rig_gear.gear_id
                       WHERE rig_gear.rig_id = r.id ORDER BY gear.kind, gear.id) g))
    FROM rig r JOIN body b ON b.id = r.body_id JOIN lens l ON l.id = r.lens_id
    WHERE r.id = practice_frame.rig_id);

ALTER TABLE practice_frame DROP COLUMN rig_id;
