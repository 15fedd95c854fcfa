-- Which stars must stay within the tolerance. Outings planned before asked it of every star and keep their shutter.
ALTER TABLE outing ADD COLUMN sharp TEXT NOT NULL DEFAULT 'ALL' CHECK (sharp IN ('ALL', 'MOST', 'HALF', 'AIM'));
