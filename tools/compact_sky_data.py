#!/usr/bin/python3
"""Write the sky data in the plain formats that the core reads. usage: compact_sky_data.py PREPARED OUT

PREPARED is what prepare_sky_data.py wrote. Of the star names, many are fanciful: only those of stars brighter than 3.5 are kept.
"""
import csv
import json
import sys

prepared, out = sys.argv[1], sys.argv[2]


def point(p):
    return f"{p[0] % 360:.2f} {p[1]:.2f}"


with open(out + "/stars.csv", "w", newline="") as f:
    writer = csv.writer(f, lineterminator="\n")
    for row in csv.DictReader(open(prepared + "/stars.csv")):
        name = row["name"] if float(row["v"]) < 3.5 else ""
        writer.writerow([row["hip"], row["ra_deg_j2000"], row["dec_deg_j2000"], row["v"], row["b_minus_v"],
                         row["pm_ra_cosdec_mas"], row["pm_dec_mas"], name])

with open(out + "/figures.txt", "w") as f:
    for feature in json.load(open(prepared + "/constellations.lines.json"))["features"]:
        for line in feature["geometry"]["coordinates"]:
            f.write(f"{feature['id']};" + ",".join(point(p) for p in line) + "\n")
