-- A database of the version in which an outing had a body and a lens: demo data, with a body, gear, a rig and outings added by its user.
CREATE TABLE body (
    id               INTEGER PRIMARY KEY,
    name             TEXT    NOT NULL,
    sensor_width_mm  REAL    NOT NULL CHECK (sensor_width_mm > 0),
    sensor_height_mm REAL    NOT NULL CHECK (sensor_height_mm > 0),
    pixels_across    INTEGER NOT NULL CHECK (pixels_across > 0),
    dial             TEXT    NOT NULL CHECK (dial IN ('FULL', 'HALF', 'THIRD')),
    top_iso          INTEGER NOT NULL CHECK (top_iso > 0)
, fastest_per_s INTEGER NOT NULL DEFAULT 8000, base_iso INTEGER NOT NULL DEFAULT 100, comfortable_iso INTEGER NOT NULL DEFAULT 3200, full_well_e REAL NOT NULL DEFAULT 0, read_before_e REAL NOT NULL DEFAULT 1.6, read_after_e REAL NOT NULL DEFAULT 4.5, dark_e_per_s REAL NOT NULL DEFAULT 0.03, quantum_efficiency REAL NOT NULL DEFAULT 0.5, modified INTEGER NOT NULL DEFAULT 0 CHECK (modified IN (0, 1)), raw_mb REAL NOT NULL DEFAULT 30, jpeg_mb REAL NOT NULL DEFAULT 10, buffer_frames INTEGER NOT NULL DEFAULT 30, write_mb_per_s REAL NOT NULL DEFAULT 150, noise_reduction INTEGER NOT NULL DEFAULT 0 CHECK (noise_reduction IN (0, 1)), clock_offset_s REAL NOT NULL DEFAULT 0, weight_g REAL NOT NULL DEFAULT 600, note TEXT NOT NULL DEFAULT '') STRICT;
INSERT INTO "body" VALUES(1,'Full-frame 33 MP body',36.0,24.0,7040,'THIRD',51200,8000,100,3200,47100.0,1.6,4.5,0.03,0.5,0,40.0,11.6,30,150.0,0,0.0,600.0,'generic class: typical electronics for its pixels');
INSERT INTO "body" VALUES(2,'Full-frame 24 MP body',36.0,24.0,6000,'THIRD',102400,8000,100,3200,64800.0,1.6,4.5,0.03,0.5,0,29.0,8.4,30,150.0,0,0.0,600.0,'generic class: typical electronics for its pixels');
INSERT INTO "body" VALUES(3,'APS-C 26 MP body',23.5,15.7,6240,'THIRD',25600,8000,100,1600,25500.0,1.6,4.5,0.03,0.5,0,31.0,9.1,30,150.0,0,0.0,450.0,'generic class: typical electronics for its pixels');
INSERT INTO "body" VALUES(4,'Four-thirds 20 MP body',17.4,13.0,5184,'THIRD',25600,8000,100,1600,20300.0,1.6,4.5,0.03,0.5,0,24.0,7.0,30,150.0,0,0.0,450.0,'generic class: typical electronics for its pixels');
INSERT INTO "body" VALUES(5,'1-inch 20 MP compact',13.2,8.8,5472,'THIRD',12800,8000,100,800,10500.0,1.6,4.5,0.03,0.5,0,24.0,7.0,30,150.0,0,0.0,300.0,'generic class: typical electronics for its pixels');
INSERT INTO "body" VALUES(6,'Old half-frame body',23.7,15.6,4288,'HALF',12800,4000,200,1600,41000.0,3.25,9.5,0.07,0.41,1,17.5,6.25,11,45.5,1,-12.5,735.0,'bought second hand');
CREATE TABLE dome (
    id          INTEGER PRIMARY KEY,
    place_id    INTEGER NOT NULL REFERENCES place (id) ON DELETE CASCADE,
    name        TEXT    NOT NULL,
    bearing_deg REAL    NOT NULL,
    distance_km REAL    NOT NULL,
    people      REAL    NOT NULL,
    lit         INTEGER NOT NULL DEFAULT 1 CHECK (lit IN (0, 1))
) STRICT;
INSERT INTO "dome" VALUES(1,1,'Town 6 km N',3.59967278436101935303e+02,6.16575968868593538019e+00,1356.0,1);
INSERT INTO "dome" VALUES(2,1,'Town 8 km S',1.7549705739137340288e+02,8.16576100715096764304e+00,2011.0,1);
INSERT INTO "dome" VALUES(3,1,'Town 12 km SE',1.42644616709653888615e+02,1.23590029738382209954e+01,4936.0,1);
INSERT INTO "dome" VALUES(4,1,'Town 13 km E',9.14812939458983578368e+01,1.34293093789531479129e+01,5830.0,1);
INSERT INTO "dome" VALUES(5,1,'Town 14 km N',3.44183811019003282893e+00,1.36538308975182758335e+01,4393.0,1);
INSERT INTO "dome" VALUES(6,1,'Town 11 km ESE',1.01479930626179907452e+02,1.14819435076656350958e+01,1633.0,1);
INSERT INTO "dome" VALUES(7,1,'Town 128 km NNW',3.46580483154991497935e+02,1.27571964511125614195e+02,517802.0,1);
INSERT INTO "dome" VALUES(8,1,'Town 56 km SSE',1.56320835787147103699e+02,5.61392267169224723488e+01,38487.0,1);
INSERT INTO "dome" VALUES(9,1,'Town 25 km NNE',2.49964582836994253511e+01,2.45555501572486356565e+01,3772.0,1);
INSERT INTO "dome" VALUES(10,1,'Town 40 km N',3.50210894284374376185e+02,4.00625490779130046794e+01,12791.0,1);
INSERT INTO "dome" VALUES(11,2,'Town 5 km SSW',1.97696188405690151052e+02,5.34667583960673908904e+00,2011.0,1);
INSERT INTO "dome" VALUES(12,2,'Town 9 km SE',1.42338604846734455124e+02,8.56330564946465244702e+00,4936.0,1);
INSERT INTO "dome" VALUES(13,2,'Town 11 km ENE',7.64185385157554577508e+01,1.14816913453464071177e+01,5830.0,1);
INSERT INTO "dome" VALUES(14,2,'Town 9 km E',8.51741943081603523034e+01,9.01949159489682728008e+00,1633.0,1);
INSERT INTO "dome" VALUES(15,2,'Town 9 km NNW',3.46182127232430559616e+02,9.48737657520602,1356.0,1);
INSERT INTO "dome" VALUES(16,2,'Town 17 km N',3.55062441098829424386e+02,1.6738142620569266938e+01,4393.0,1);
INSERT INTO "dome" VALUES(17,2,'Town 131 km NNW',3.45942237261676325491e+02,1.31069399555158327074e+02,517802.0,1);
INSERT INTO "dome" VALUES(18,2,'Town 52 km SSE',1.57265942114343943098e+02,5.24465493397960571533e+01,38487.0,1);
INSERT INTO "dome" VALUES(19,2,'Town 29 km S',1.86209480146358089319e+02,2.86724608084132270846e+01,5884.0,1);
INSERT INTO "dome" VALUES(20,2,'Town 27 km NNE',1.77905561388264246147e+01,2.65703318997903572542e+01,3772.0,1);
INSERT INTO "dome" VALUES(21,3,'Town 7 km SE',1.38626821397057454989e+02,6.72859686385582111967e+00,5830.0,1);
INSERT INTO "dome" VALUES(22,3,'Town 7 km SSE',1.61976949792646422567e+02,7.34537502483374371564e+00,1633.0,1);
INSERT INTO "dome" VALUES(23,3,'Town 12 km NW',3.17675053080211910127e+02,1.20929217505635797633e+01,4393.0,1);
INSERT INTO "dome" VALUES(24,3,'Town 15 km S',1.85854632446368611903e+02,1.45958330645726768186e+01,4936.0,1);
INSERT INTO "dome" VALUES(25,3,'Town 9 km W',2.79353915116681434933e+02,9.09485830452191557071e+00,1356.0,1);
INSERT INTO "dome" VALUES(26,3,'Town 8 km NNE',1.56058552746382392939e+01,8.33126173956500259976e+00,1006.0,1);
INSERT INTO "dome" VALUES(27,3,'Town 125 km NNW',3.42155676446506618049e+02,1.25469739711307497035e+02,517802.0,1);
INSERT INTO "dome" VALUES(28,3,'Town 18 km N',4.63485855043629335625e+00,1.76142904768675663258e+01,3772.0,1);
INSERT INTO "dome" VALUES(29,3,'Town 15 km SSW',2.13043062942814401586e+02,1.53040659242463075173e+01,2011.0,1);
INSERT INTO "dome" VALUES(30,3,'Town 58 km SSE',1.66462062093659113768e+02,5.7728692450729290897e+01,38487.0,1);
INSERT INTO "dome" VALUES(31,4,'Town 1 km NE',4.91663471842882344748e+01,6.00322377586227196033e-01,17793.0,1);
INSERT INTO "dome" VALUES(32,4,'Town 32 km SSW',2.12085956747154028793e+02,3.18896056837298367278e+01,688356.0,1);
INSERT INTO "dome" VALUES(33,4,'Town 20 km NE',4.66860617984750163583e+01,1.99322580702642078165e+01,116209.0,1);
INSERT INTO "dome" VALUES(34,4,'Town 30 km ESE',1.17095196783620053787e+02,2.95050641157478459319e+01,85144.0,1);
INSERT INTO "dome" VALUES(35,4,'Town 53 km SSE',155.344988443758,5.28183325446909321962e+01,326261.0,1);
INSERT INTO "dome" VALUES(36,4,'Town 30 km NE',5.34759785764921247164e+01,2.95156448949707801432e+01,64595.0,1);
INSERT INTO "dome" VALUES(37,4,'Town 29 km SE',1.279796267508209695e+02,2.91043475109543869905e+01,53559.0,1);
INSERT INTO "dome" VALUES(38,4,'Town 22 km NNE',2.90084389449416910631e+01,2.21843034536333405526e+01,23513.0,1);
INSERT INTO "dome" VALUES(39,4,'Town 28 km ENE',5.72759425228163650007e+01,2.76898699927543461289e+01,26544.0,1);
INSERT INTO "dome" VALUES(40,4,'Town 30 km NE',4.2520212822484218405e+01,3.02466288087327690443e+01,29249.0,1);
CREATE TABLE "flyway_schema_history" (
    "installed_rank" INT NOT NULL PRIMARY KEY,
    "version" VARCHAR(50),
    "description" VARCHAR(200) NOT NULL,
    "type" VARCHAR(20) NOT NULL,
    "script" VARCHAR(1000) NOT NULL,
    "checksum" INT,
    "installed_by" VARCHAR(100) NOT NULL,
    "installed_on" TEXT NOT NULL DEFAULT (strftime('%Y-%m-%d %H:%M:%f','now')),
    "execution_time" INT NOT NULL,
    "success" BOOLEAN NOT NULL
);
INSERT INTO "flyway_schema_history" VALUES(1,'1','places kit outings','SQL','V1__places_kit_outings.sql',-1977248817,'','2026-11-25 00:38:56.742',5,1);
INSERT INTO "flyway_schema_history" VALUES(2,'2','generic kit','SQL','V2__generic_kit.sql',1887401900,'','2026-11-25 00:38:56.760',1,1);
INSERT INTO "flyway_schema_history" VALUES(3,'3','ground of places','SQL','V3__ground_of_places.sql',1610831086,'','2026-11-25 00:38:56.787',15,1);
INSERT INTO "flyway_schema_history" VALUES(4,'4','weather and searches','SQL','V4__weather_and_searches.sql',-1800259460,'','2026-11-25 00:38:56.797',2,1);
INSERT INTO "flyway_schema_history" VALUES(5,'5','whole kit','SQL','V5__whole_kit.sql',-55089263,'','2026-11-25 00:38:56.840',23,1);
CREATE TABLE forecast_hour (
    place_id             INTEGER NOT NULL REFERENCES place (id) ON DELETE CASCADE,
    source               TEXT    NOT NULL CHECK (source IN ('SERVICE', 'IMPORT', 'HAND')),
    valid_at             TEXT    NOT NULL,
    issued_at            TEXT    NOT NULL,
    low_cloud_percent    REAL    NOT NULL,
    middle_cloud_percent REAL    NOT NULL,
    high_cloud_percent   REAL    NOT NULL,
    wind_ms              REAL    NOT NULL,
    temperature_c        REAL    NOT NULL,
    humidity_percent     REAL    NOT NULL,
    PRIMARY KEY (place_id, source, valid_at)
) STRICT;
CREATE TABLE gear (
    id       INTEGER PRIMARY KEY,
    kind     TEXT NOT NULL CHECK (kind IN ('TELECONVERTER', 'SUPPORT', 'RELEASE', 'FILTER', 'BATTERY', 'CARD', 'EXTRA')),
    name     TEXT NOT NULL,
    weight_g REAL NOT NULL,
    mode     TEXT NOT NULL DEFAULT '',
    amount   REAL NOT NULL DEFAULT 0,
    detail   REAL NOT NULL DEFAULT 0,
    note     TEXT NOT NULL DEFAULT ''
) STRICT;
INSERT INTO "gear" VALUES(1,'SUPPORT','Tripod',1800.0,'TRIPOD',0.0,0.0,'hook for a weight');
INSERT INTO "gear" VALUES(2,'SUPPORT','Small star tracker',1100.0,'SIDEREAL',20.0,0.0,'');
INSERT INTO "gear" VALUES(3,'TELECONVERTER','Teleconverter 1.4×',220.0,'',1.4,0.0,'');
INSERT INTO "gear" VALUES(4,'FILTER','Solar filter, density 5',60.0,'',16.6,0.0,'stays on except in totality');
INSERT INTO "gear" VALUES(5,'RELEASE','Interval timer',90.0,'timer',0.0,0.0,'');
INSERT INTO "gear" VALUES(6,'BATTERY','Battery',80.0,'',450.0,150.0,'frames and minutes at 20 °C');
INSERT INTO "gear" VALUES(7,'CARD','Card 64 GB',5.0,'',64.0,150.0,'');
INSERT INTO "gear" VALUES(8,'EXTRA','Heater band',120.0,'',0.0,0.0,'against dew');
INSERT INTO "gear" VALUES(9,'EXTRA','Red lamp',90.0,'',0.0,0.0,'');
INSERT INTO "gear" VALUES(10,'SUPPORT','Moon tracker',900.0,'LUNAR',33.5,0.0,'for long lenses');
INSERT INTO "gear" VALUES(11,'CARD','Slow card',4.0,'',15.5,20.25,'');
CREATE TABLE lens (
    id              INTEGER PRIMARY KEY,
    name            TEXT NOT NULL,
    shortest_mm     REAL NOT NULL CHECK (shortest_mm > 0),
    longest_mm      REAL NOT NULL CHECK (longest_mm >= shortest_mm),
    widest_at_short REAL NOT NULL CHECK (widest_at_short > 0),
    widest_at_long  REAL NOT NULL CHECK (widest_at_long > 0),
    projection      TEXT NOT NULL CHECK (projection IN ('RECTILINEAR', 'FISHEYE'))
, narrowest REAL NOT NULL DEFAULT 22, transmission REAL NOT NULL DEFAULT 0.9, electronic INTEGER NOT NULL DEFAULT 1 CHECK (electronic IN (0, 1)), weight_g REAL NOT NULL DEFAULT 450, note TEXT NOT NULL DEFAULT '') STRICT;
INSERT INTO "lens" VALUES(1,'20 mm f/1.8',20.0,20.0,1.8,1.8,'RECTILINEAR',22.0,0.9,1,450.0,'');
INSERT INTO "lens" VALUES(2,'14 mm f/2.8',14.0,14.0,2.8,2.8,'RECTILINEAR',22.0,0.9,1,450.0,'');
INSERT INTO "lens" VALUES(3,'35 mm f/1.4',35.0,35.0,1.4,1.4,'RECTILINEAR',22.0,0.9,1,450.0,'');
INSERT INTO "lens" VALUES(4,'12 mm f/2.8 fisheye',12.0,12.0,2.8,2.8,'FISHEYE',22.0,0.9,0,450.0,'aperture by hand');
INSERT INTO "lens" VALUES(5,'18–55 mm f/3.5–5.6 zoom',18.0,55.0,3.5,5.6,'RECTILINEAR',22.0,0.9,1,450.0,'');
INSERT INTO "lens" VALUES(6,'24–70 mm f/2.8 zoom',24.0,70.0,2.8,2.8,'RECTILINEAR',22.0,0.9,1,450.0,'');
INSERT INTO "lens" VALUES(7,'100–400 mm f/4.5–5.6 zoom',100.0,400.0,4.5,5.6,'RECTILINEAR',22.0,0.9,1,1400.0,'');
CREATE TABLE mark (
    id          INTEGER PRIMARY KEY,
    place_id    INTEGER NOT NULL REFERENCES place (id) ON DELETE CASCADE,
    name        TEXT    NOT NULL,
    bearing_deg REAL    NOT NULL,
    distance_m  REAL    NOT NULL,
    height_m    REAL    NOT NULL,
    width_m     REAL    NOT NULL,
    foot_m      REAL    NOT NULL
) STRICT;
INSERT INTO "mark" VALUES(1,1,'Needle Arch',172.0,140.0,24.0,13.0,-1.0);
INSERT INTO "mark" VALUES(2,1,'Fishing hut',128.0,310.0,6.0,9.0,4.0);
INSERT INTO "mark" VALUES(3,3,'Tide mill',196.0,60.0,11.0,8.0,0.0);
CREATE TABLE outing (
    id           INTEGER PRIMARY KEY,
    title        TEXT    NOT NULL,
    place_id     INTEGER NOT NULL REFERENCES place (id),
    night        TEXT    NOT NULL,
    body_id      INTEGER NOT NULL REFERENCES body (id),
    lens_id      INTEGER NOT NULL REFERENCES lens (id),
    focal_mm     REAL    NOT NULL,
    aperture     REAL    NOT NULL,
    tolerance_px REAL    NOT NULL,
    iso          INTEGER NOT NULL,
    deleted_at   TEXT
) STRICT;
INSERT INTO "outing" VALUES(1,'Core over Needle Arch',1,'2027-06-04',1,1,20.0,1.8,3.0,3200,NULL);
INSERT INTO "outing" VALUES(2,'First core of dawn',2,'2027-06-04',3,5,18.0,3.5,3.0,6400,NULL);
INSERT INTO "outing" VALUES(3,'Star field at the mill',3,'2027-06-04',1,3,35.0,2.0,3.0,1600,NULL);
INSERT INTO "outing" VALUES(4,'Summer core, fisheye',1,'2027-05-06',2,4,12.0,2.8,3.0,3200,NULL);
INSERT INTO "outing" VALUES(5,'Moon over the arch',2,'2027-11-13',6,7,135.5,6.3,1.5,640,NULL);
INSERT INTO "outing" VALUES(6,'Given up',3,'2026-01-02',6,1,20.0,2.2,6.0,1600,'2026-01-03T09:10:11Z');
CREATE TABLE place (
    id            INTEGER PRIMARY KEY,
    name          TEXT    NOT NULL,
    latitude_deg  REAL    NOT NULL CHECK (latitude_deg BETWEEN -90 AND 90),
    longitude_deg REAL    NOT NULL CHECK (longitude_deg BETWEEN -180 AND 180),
    elevation_m   REAL    NOT NULL,
    zone          TEXT    NOT NULL
, zenith_magnitude REAL CHECK (zenith_magnitude BETWEEN 15 AND 22.5), access TEXT NOT NULL DEFAULT '', hazards TEXT NOT NULL DEFAULT '', turn_back TEXT NOT NULL DEFAULT '', sea_horizon INTEGER NOT NULL DEFAULT 0 CHECK (sea_horizon IN (0, 1))) STRICT;
INSERT INTO "place" VALUES(1,'Salt Ledge',37.6012,-8.7921,31.0,'Europe/Lisbon',NULL,'Track from the road, then 15 minutes on foot','Cliff edge without fence, swell on the lower rocks, loose stone after rain','One hour before high water',0);
INSERT INTO "place" VALUES(2,'Needle Arch',37.5738,-8.7664,12.0,'Europe/Lisbon',NULL,'Track from the road, then 15 minutes on foot','Cliff edge without fence, swell on the lower rocks, loose stone after rain','One hour before high water',0);
INSERT INTO "place" VALUES(3,'Old Tide Mill',37.6434,-8.6902,6.0,'Europe/Lisbon',NULL,'Track from the road, then 15 minutes on foot','Cliff edge without fence, swell on the lower rocks, loose stone after rain','One hour before high water',0);
INSERT INTO "place" VALUES(4,'Strait lookout',36.0104,-5.612,140.0,'Europe/Madrid',NULL,'Track from the road, then 15 minutes on foot','Cliff edge without fence, swell on the lower rocks, loose stone after rain','One hour before high water',0);
CREATE TABLE rig (
    id      INTEGER PRIMARY KEY,
    name    TEXT    NOT NULL,
    body_id INTEGER NOT NULL REFERENCES body (id),
    lens_id INTEGER NOT NULL REFERENCES lens (id)
) STRICT;
INSERT INTO "rig" VALUES(1,'Wide and fast',1,1);
INSERT INTO "rig" VALUES(2,'Tracked 35',2,3);
INSERT INTO "rig" VALUES(3,'First zoom',3,5);
INSERT INTO "rig" VALUES(4,'Long for the moon',3,7);
INSERT INTO "rig" VALUES(5,'Moon chaser',6,7);
CREATE TABLE rig_gear (
    rig_id  INTEGER NOT NULL REFERENCES rig (id) ON DELETE CASCADE,
    gear_id INTEGER NOT NULL REFERENCES gear (id),
    PRIMARY KEY (rig_id, gear_id)
) STRICT;
INSERT INTO "rig_gear" VALUES(1,1);
INSERT INTO "rig_gear" VALUES(1,5);
INSERT INTO "rig_gear" VALUES(1,6);
INSERT INTO "rig_gear" VALUES(1,7);
INSERT INTO "rig_gear" VALUES(3,1);
INSERT INTO "rig_gear" VALUES(3,5);
INSERT INTO "rig_gear" VALUES(3,6);
INSERT INTO "rig_gear" VALUES(3,7);
INSERT INTO "rig_gear" VALUES(4,1);
INSERT INTO "rig_gear" VALUES(4,5);
INSERT INTO "rig_gear" VALUES(4,6);
INSERT INTO "rig_gear" VALUES(4,7);
INSERT INTO "rig_gear" VALUES(2,2);
INSERT INTO "rig_gear" VALUES(2,6);
INSERT INTO "rig_gear" VALUES(2,7);
INSERT INTO "rig_gear" VALUES(2,8);
INSERT INTO "rig_gear" VALUES(5,10);
CREATE TABLE saved_search (
    id       INTEGER PRIMARY KEY,
    name     TEXT NOT NULL,
    query    TEXT NOT NULL,
    saved_at TEXT NOT NULL
) STRICT;
CREATE TABLE skyline_point (
    place_id     INTEGER NOT NULL REFERENCES place (id) ON DELETE CASCADE,
    azimuth_deg  REAL    NOT NULL CHECK (azimuth_deg BETWEEN 0 AND 360),
    altitude_deg REAL    NOT NULL CHECK (altitude_deg BETWEEN -90 AND 90),
    PRIMARY KEY (place_id, azimuth_deg)
) STRICT;
INSERT INTO "skyline_point" VALUES(1,0.0,9.0);
INSERT INTO "skyline_point" VALUES(1,40.0,14.0);
INSERT INTO "skyline_point" VALUES(1,75.0,11.0);
INSERT INTO "skyline_point" VALUES(1,110.0,6.5);
INSERT INTO "skyline_point" VALUES(1,150.0,2.0);
INSERT INTO "skyline_point" VALUES(1,200.0,0.5);
INSERT INTO "skyline_point" VALUES(1,300.0,0.5);
INSERT INTO "skyline_point" VALUES(1,335.0,4.0);
CREATE INDEX "flyway_schema_history_s_idx" ON "flyway_schema_history" ("success");
CREATE INDEX outing_by_night ON outing (night);
CREATE INDEX mark_of_place ON mark (place_id);
CREATE INDEX dome_of_place ON dome (place_id);
