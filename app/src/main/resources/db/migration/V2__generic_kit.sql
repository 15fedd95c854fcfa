-- Generic kit that ships with the application, so that the first outing can be planned at once.
INSERT INTO body (name, sensor_width_mm, sensor_height_mm, pixels_across, dial, top_iso) VALUES
    ('Full-frame 33 MP body',    36.0, 24.0, 7040, 'THIRD', 51200),
    ('Full-frame 24 MP body',    36.0, 24.0, 6000, 'THIRD', 102400),
    ('APS-C 26 MP body',         23.5, 15.7, 6240, 'THIRD', 25600),
    ('Four-thirds 20 MP body',   17.4, 13.0, 5184, 'THIRD', 25600),
    ('1-inch 20 MP compact',     13.2,  8.8, 5472, 'THIRD', 12800);

INSERT INTO lens (name, shortest_mm, longest_mm, widest_at_short, widest_at_long, projection) VALUES
    ('20 mm f/1.8',              20,   20, 1.8, 1.8, 'RECTILINEAR'),
    ('14 mm f/2.8',              14,   14, 2.8, 2.8, 'RECTILINEAR'),
    ('35 mm f/1.4',              35,   35, 1.4, 1.4, 'RECTILINEAR'),
    ('12 mm f/2.8 fisheye',      12,   12, 2.8, 2.8, 'FISHEYE'),
    ('18–55 mm f/3.5–5.6 zoom',  18,   55, 3.5, 5.6, 'RECTILINEAR'),
    ('24–70 mm f/2.8 zoom',      24,   70, 2.8, 2.8, 'RECTILINEAR'),
    ('100–400 mm f/4.5–5.6 zoom', 100, 400, 4.5, 5.6, 'RECTILINEAR');
