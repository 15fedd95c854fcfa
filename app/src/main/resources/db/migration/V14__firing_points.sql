-- Where a display is fired is told by a mark's silhouette; before it was told by its name.
UPDATE mark SET silhouette = 'firing' WHERE lower(name) LIKE '%firing%';
