-- Diameter of the picture that a lens draws. Empty: a rectilinear lens fills every sensor, a fisheye draws 180°.
ALTER TABLE lens ADD COLUMN image_circle_mm REAL;
