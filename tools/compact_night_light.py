#!/usr/bin/python3
"""Pack the Milky Way's light and the faint stars for the core. usage: compact_night_light.py DATA CORE_RESOURCES

DATA holds galaxy-starlight.png, galaxy-nebulae.png (8-bit grey, 2880 × 960, galactic coordinates) and stars-faint.csv.gz.
Written are the pictures' bytes row by row (glow/*.gz) and eleven bytes a star, brightest first (sky/stars-faint.bin.gz): right ascension
and declination as 2^32 parts of a turn, magnitude in thousandths from 6, B-V in fiftieths from -1 (255: unknown).
"""
import csv
import gzip
import math
import struct
import sys
import zlib

data, out = sys.argv[1], sys.argv[2]


def grey(path):
    raw = open(path, "rb").read()
    at, packed, width, height = 8, b"", 0, 0
    while at < len(raw):
        length = struct.unpack(">I", raw[at : at + 4])[0]
        kind, body = raw[at + 4 : at + 8], raw[at + 8 : at + 8 + length]
        if kind == b"IHDR":
            width, height, depth, colour = struct.unpack(">IIBB", body[:10])
            assert (depth, colour) == (8, 0)
        if kind == b"IDAT":
            packed += body
        at += 12 + length
    lines, rows, above = zlib.decompress(packed), [], bytes(width)
    for y in range(height):
        how, line = lines[y * (width + 1)], bytearray(lines[y * (width + 1) + 1 : (y + 1) * (width + 1)])
        for x in range(width):
            a, b, c = (line[x - 1] if x else 0), above[x], (above[x - 1] if x else 0)
            if how == 4:
                p = a + b - c
                guess = min((abs(p - a), 0, a), (abs(p - b), 1, b), (abs(p - c), 2, c))[2]
            else:
                guess = (0, a, b, (a + b) // 2)[how]
            line[x] = (line[x] + guess) & 255
        above = bytes(line)
        rows.append(above)
    return b"".join(rows)


def write(path, body):
    with open(path, "wb") as raw, gzip.GzipFile(fileobj=raw, mode="wb", compresslevel=9, mtime=0) as f:
        f.write(body)


# The neighbours are two magnitudes too faint in the picture: each is raised by ellipses that hold its catalogued light.
# name, right ascension, declination, V of the ellipse, spread along and across in degrees, position angle of the long axis
ELLIPSES = [
    ("Large Magellanic Cloud, disc", 80.0, -69.0, 0.8, 2.0, 1.7, 170),
    ("Large Magellanic Cloud, bar", 80.3, -69.7, 1.9, 1.15, 0.35, 120),
    ("Small Magellanic Cloud", 13.2, -72.8, 2.3, 1.0, 0.55, 45),
    ("M31, disc", 10.685, 41.269, 3.8, 0.75, 0.19, 38),
    ("M31, middle", 10.685, 41.269, 4.9, 0.12, 0.08, 38),
]


def equatorial(l, b):
    """ICRS unit vector of galactic degrees."""
    pole, dec, node = map(math.radians, (192.8595, 27.1283, 32.9319))
    l, b = math.radians(l), math.radians(b)
    sin = math.sin(b) * math.sin(dec) + math.cos(b) * math.cos(dec) * math.sin(l - node)
    y = math.cos(b) * math.cos(l - node)
    x = math.sin(b) * math.cos(dec) - math.cos(b) * math.sin(dec) * math.sin(l - node)
    ra, cos = pole + math.atan2(y, x), math.sqrt(1 - sin * sin)
    return (cos * math.cos(ra), cos * math.sin(ra), sin)


def raised(light):
    light = bytearray(light)
    for _, ra, dec, v, along, across, angle in ELLIPSES:
        ra, dec, angle = map(math.radians, (ra, dec, angle))
        centre = (math.cos(dec) * math.cos(ra), math.cos(dec) * math.sin(ra), math.sin(dec))
        east = (-math.sin(ra), math.cos(ra), 0)
        north = (-math.sin(dec) * math.cos(ra), -math.sin(dec) * math.sin(ra), math.cos(dec))
        peak = 10 ** (-0.4 * v) / (2 * math.pi * along * across * 3600**2)
        for j in range(960):
            for i in range(2880):
                at = equatorial(180 - (i + 0.5) / 8, 60 - (j + 0.5) / 8)
                dot = lambda axis: sum(a * b for a, b in zip(at, axis))
                if dot(centre) < 0.985:
                    continue
                x, y = math.degrees(dot(east)), math.degrees(dot(north))
                long = x * math.sin(angle) + y * math.cos(angle)
                wide = x * math.cos(angle) - y * math.sin(angle)
                more = peak * math.exp(-0.5 * ((long / along) ** 2 + (wide / across) ** 2))
                now = light[j * 2880 + i]
                total = more + (10 ** (-0.4 * (26 - 0.0255 * now)) if now else 0)
                if total > 10 ** (-0.4 * 26):
                    light[j * 2880 + i] = max(now, min(255, round((26 + 2.5 * math.log10(total)) / 0.0255)))
    return bytes(light)


write(f"{out}/glow/galaxy-starlight.gz", raised(grey(f"{data}/galaxy-starlight.png")))
write(f"{out}/glow/galaxy-nebulae.gz", grey(f"{data}/galaxy-nebulae.png"))

stars = sorted(csv.DictReader(gzip.open(f"{data}/stars-faint.csv.gz", "rt")), key=lambda s: float(s["v"]))
packed = b""
for s in stars:
    colour = 255 if s["b_minus_v"] == "" else max(0, min(254, round((float(s["b_minus_v"]) + 1) * 100 / 2)))
    packed += struct.pack(
        ">IiHB",
        round(float(s["ra_deg_j2000"]) / 360 * 2**32) % 2**32,
        round(float(s["dec_deg_j2000"]) / 360 * 2**32),
        round((float(s["v"]) - 6) * 1000),
        colour,
    )
write(f"{out}/sky/stars-faint.bin.gz", packed)
print(len(stars), "stars")
