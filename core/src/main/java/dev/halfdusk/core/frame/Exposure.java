package dev.halfdusk.core.frame;

import dev.halfdusk.core.exposure.SkyElectrons;
import dev.halfdusk.core.glow.Air;
import dev.halfdusk.core.glow.GroundLight;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Blades;
import dev.halfdusk.core.optics.Framing.Point;
import dev.halfdusk.core.optics.Stops;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.FixedPoint;
import dev.halfdusk.core.sky.Sidereal;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;

/** The shutter is open: points of light are drawn into a picture's electrons with their spread and their way. */
final class Exposure {

    /** Length of the tail that coma draws outwards in the corner of a fast lens wide open, micrometres; its light along it. */
    private static final double COMA_UM = 30;

    private static final double[] COMA = {0.62, 0.22, 0.1, 0.06};
    private static final double LEAST_COMA_PX = 0.7;

    /** A corner's star is drawn out sideways as well: at the head by so much of the tail's length, half its light to each side. */
    private static final double WINGS = 0.2;

    /** Length of a lamp's rays, of the picture's width, for each factor of ten by which it is more than a thousand times too bright. */
    private static final double LAMP_RAYS = 0.014;

    /** A point sends so many times more of its light into rays than a disc, whose rays lie over each other. */
    private static final double LAMP_RAYS_SHARE = 12;

    private static final double RAYS_SHARE = 2e-4;

    /** What reducing a picture makes of a point, pixels of the reduced one. */
    private static final double REDUCED_SIGMA_PX = 0.58;

    /** Less in a sensor pixel is lost in its noise, electrons. */
    private static final double SEEN_E = 1.5;

    /** Against its sigma: a spot that moves less stands still, and beyond the other it is drawn as many. */
    private static final double SHORT = 0.5;

    private static final double SQRT_2_PI = Math.sqrt(2 * Math.PI);

    private static final double LONG = 9;

    /** Sigmas between the spots of a long line, whose sum is then even to a thousandth. */
    private static final double APART = 1.5;

    /** An arc no longer than this is drawn as its chord, a quarter of a thousandth of its radius off. */
    private static final double STRAIGHT_DEG = 2.5;

    /** A gap in a trail that is shorter is not seen, of a pixel of the picture. */
    private static final double INVISIBLE_PX = 0.1;

    /** Where the sky turns by less it is not asked whether a star's circle meets the picture. */
    private static final double TURNS_DEG = 1;

    /** A trail gathers light in a pixel only while the star is there, and so long in passing, pixels. */
    private static final double PASSES_PX = 3;

    /** Light from so far beyond the edge may reach the picture. */
    private static final double MARGIN_PX = 40;

    /** How waves draw a light out: in so many pieces over so much of the picture's height. */
    private static final int WAVES = 3;

    private static final double WAVE_SHARE = 0.05;
    private static final double WAVE_SIGMA = 1.6;

    /** Of a path on water: its pieces, how wide it is for its length, and how large a piece is. */
    private static final int GLINTS = 260;

    private static final double GLITTER_WIDE = 0.12;
    private static final double GLINT_SIGMA = 1.3;

    private final Scene scene;
    private final Shot shot;
    private final Window window;
    private final TrailFrames trails;
    private final Canvas canvas;
    private final double perLuminance;
    private final Vector pole;
    /** Rate of the support against that of the stars. */
    private final double tracker;

    /** By so much the sky turns in the picture while the shutter is open. */
    private final double skyTurnsDeg;

    /** Frames of a trail whose gaps nobody sees in this picture are drawn as one arc. */
    private final int together;

    private final Vector forward;
    private final double edgeDeg;
    private final double withinDeg;
    private final double reach;
    /** Electrons a second of a star of magnitude 0. */
    private final double atZero;

    private final double full;
    private final Vector[] axes;
    private final Vector aberration;

    /** Seconds by which the sky turned last, and where it then has east, north and up. One hand uses an exposure. */
    private double turn;

    private Vector[] turnedAxes;

    /** The same for every turn so far: all stars turn by as much, frame by frame and piece by piece. */
    private final Map<Double, Vector[]> turns = new HashMap<>();

    private static final Vector[] UNIT = {new Vector(1, 0, 0), new Vector(0, 1, 0), new Vector(0, 0, 1)};
    private final double pixelUm;
    private final Halo[] halos;
    private final Vector moon;
    private final double moonEdge;
    private final LensDrawing drawing;

    /** What air lets through of red, green and blue, by quarters of a degree of altitude. */
    private final float[][] air;

    private static final int AIR_PER_DEGREE = 4;

    Exposure(Scene scene, Shot shot, Window window, TrailFrames trails, Canvas canvas, double perLuminance) {
        this.scene = scene;
        this.shot = shot;
        this.window = window;
        this.trails = trails;
        this.canvas = canvas;
        this.perLuminance = perLuminance;
        pole = Sidereal.northPole(scene.from().site());
        double rate = shot.support().kind().arcsecPerSecond()
                - shot.support().errorArcsecPerMinute()
                        / 60; // it lags: one way all the time, as the longest shutter has it
        tracker = rate / Sidereal.ARCSEC_PER_SECOND;
        forward = shot.framing().see(window.onSensor(window.width() / 2.0, window.height() / 2.0));
        skyTurnsDeg = Math.abs(1 - tracker) * shot.seconds() * Sidereal.ARCSEC_PER_SECOND / 3600;
        edgeDeg = edgeDeg();
        withinDeg = Math.min(180, edgeDeg + Math.abs(1 - tracker) * trails.turnDeg(shot.seconds()));
        reach = Math.cos(Math.toRadians(withinDeg));
        together = together(shot, window, trails);
        double focal = shot.framing().optics().focalMm();
        atZero = SkyElectrons.ofStar(0, focal, shot.aperture(), shot.efficiency());
        full = shot.response().saturationE(shot.settings().iso());
        axes = new Vector[] {axis(1, 0, 0), axis(0, 1, 0), axis(0, 0, 1)};
        aberration = aberration();
        pixelUm = window.sensor().pitchUm() * window.binned();
        halos = Halo.of(shot);
        Vector towardsMoon = scene.moment().local(Body.MOON, scene.observer());
        moon = towardsMoon.unit();
        drawing = new LensDrawing(shot, window.sensor());
        air = airByAltitude(scene.from().glow().extinction());
        moonEdge = Math.cos(Math.asin(Body.MOON.radiusKm() / towardsMoon.length()));
    }

    private static float[][] airByAltitude(double extinction) {
        float[][] through = new float[90 * AIR_PER_DEGREE + 1][3];
        for (int i = 0; i < through.length; i++) {
            double mass = Air.path((double) i / AIR_PER_DEGREE);
            for (int c = 0; c < 3; c++) {
                through[i][c] = (float) Air.transmission(extinction * Tint.EXTINCTION[c], mass);
            }
        }
        return through;
    }

    /** From the middle of the picture to the farthest of its edge, and somewhat beyond. */
    private double edgeDeg() {
        double farthest = 0;
        for (int i = 0; i < 9; i++) {
            Point at = window.onSensor(window.width() * (i % 3) / 2.0, window.height() * (i / 3) / 2.0);
            farthest = Math.max(farthest, shot.framing().see(at).angleTo(forward));
        }
        return 1.03 * farthest + 0.1;
    }

    private Vector axis(double x, double y, double z) {
        return scene.moment().localOfIcrs(new Vector(x, y, z), scene.observer());
    }

    /** The earth's motion against light's, east, north and up: by what it does to two axes. */
    private Vector aberration() {
        Vector first = scene.moment().local(new FixedPoint(0, 0), scene.observer());
        Vector second = scene.moment().local(new FixedPoint(90, 0), scene.observer());
        return axes[0].times(second.dot(axes[0]))
                .plus(axes[1].times(first.dot(axes[1])))
                .plus(axes[2].times(first.dot(axes[2])));
    }

    Scene scene() {
        return scene;
    }

    Shot shot() {
        return shot;
    }

    Window window() {
        return window;
    }

    /** Width of a pixel of the picture on the sensor. */
    double pixelUm() {
        return pixelUm;
    }

    /** Stray light of the lens and its filters. */
    List<Halo> halos() {
        return List.of(halos);
    }

    Canvas canvas() {
        return canvas;
    }

    /** Electrons a second of a pixel on the axis for each cd/m². */
    double perLuminance() {
        return perLuminance;
    }

    /** What the middle of the picture sees. */
    Vector forward() {
        return forward;
    }

    /** Farthest from there that something may be drawn, degrees. */
    double withinDeg() {
        return withinDeg;
    }

    /** ICRS direction of the middle. */
    Vector middle() {
        return scene.moment().icrs(forward, scene.observer());
    }

    /** Size of the part of the sky in the picture. */
    double squareDegrees() {
        double perPixel = shot.pixelDeg(window);
        return Math.min(41_253, window.width() * perPixel * window.height() * perPixel);
    }

    /** The same with all that comes into it while the sky turns. */
    double sweptSquareDegrees() {
        double perPixel = shot.pixelDeg(window);
        double across = Math.max(window.width(), window.height()) * perPixel;
        return Math.min(41_253, squareDegrees() + across * pathPx() * perPixel);
    }

    /** What the air lets through of red, green and blue: blue least, so that a low moon or sun is orange. */
    double[] air(Vector local) {
        double path = Air.path(Math.max(0, local.latitudeDeg()));
        double[] through = new double[3];
        for (int c = 0; c < 3; c++) {
            through[c] = Air.transmission(scene.from().glow().extinction() * Tint.EXTINCTION[c], path);
        }
        return through;
    }

    private static int together(Shot shot, Window window, TrailFrames trails) {
        double gapPx = trails.gapPx(shot.framing().optics()) / window.binned();
        double turnsDeg = (shot.seconds() + trails.pauseSeconds()) * Sidereal.ARCSEC_PER_SECOND / 3600;
        return gapPx < INVISIBLE_PX ? (int) Math.max(1, STRAIGHT_DEG / turnsDeg) : 1;
    }

    /** Whether something of the sky may come into the picture while the shutter is open. */
    boolean near(Vector local) {
        return local.dot(forward) > reach
                && (skyTurnsDeg < TURNS_DEG || Math.abs(local.angleTo(pole) - forward.angleTo(pole)) < edgeDeg);
    }

    /** East, north and up of a star's ICRS direction, with aberration. */
    Vector local(double x, double y, double z) {
        double east = axes[0].x() * x + axes[1].x() * y + axes[2].x() * z;
        double north = axes[0].y() * x + axes[1].y() * y + axes[2].y() * z;
        double up = axes[0].z() * x + axes[1].z() * y + axes[2].z() * z;
        double length = 1 + east * aberration.x() + north * aberration.y() + up * aberration.z();
        return new Vector(
                (east + aberration.x()) / length, (north + aberration.y()) / length, (up + aberration.z()) / length);
    }

    /** A star: where it stands at the opening, V outside the air, and its colour. */
    void point(Vector local, double magnitude, double kelvin) {
        if (local.z() < -0.02 && trails.frames() == 1 || local.dot(moon) > moonEdge) {
            return; // below the horizon, or behind the moon
        }
        int pieces = (int) Math.max(1, Math.ceil(skyTurnsDeg / STRAIGHT_DEG));
        double[] tint = null;
        for (int frame = 0; frame < trails.frames(); frame += together) {
            int frames = Math.min(together, trails.frames() - frame);
            double each = (frames * shot.seconds() + (frames - 1) * trails.pauseSeconds()) / pieces;
            double electrons = perSecond(magnitude) * frames * shot.seconds() / pieces;
            double start = frame * (shot.seconds() + trails.pauseSeconds());
            Optional<Point> to = starAt(local, start);
            for (int piece = 1; piece <= pieces; piece++) {
                Optional<Point> from = to;
                to = starAt(local, start + piece * each);
                if (from.isPresent()
                        && to.isPresent()
                        && (!outside(from.get(), MARGIN_PX) || !outside(to.get(), MARGIN_PX))) {
                    tint = tint == null ? seen(local, kelvin) : tint;
                    streak(from.get(), to.get(), electrons, tint);
                }
            }
        }
    }

    /** Something that moves on its own from one local direction to another between two times after the opening. */
    void line(Vector from, double begin, Vector to, double end, double magnitude, double kelvin) {
        double electrons = perSecond(magnitude) * (end - begin);
        at(from, begin).ifPresent(a -> at(to, end).ifPresent(b -> streak(a, b, electrons, seen(from, kelvin))));
    }

    /** A lamp that moves from one local direction to another; lux outside its own air, since it is near. */
    void glow(Vector from, double begin, Vector to, double end, double lux, double[] tint) {
        double electrons = perSecond(magnitude(lux)) * (end - begin);
        at(from, begin).ifPresent(a -> at(to, end).ifPresent(b -> streak(a, b, electrons, tint)));
    }

    /** A lamp before everything, from one local direction to another; where it stands still and burns, with rays. */
    void lamp(Vector from, double begin, Vector to, double end, double lux, double[] tint) {
        double electrons = perSecond(magnitude(lux)) * (end - begin);
        at(from, begin)
                .ifPresent(a -> at(to, end).ifPresent(b -> {
                    streak(a, b, electrons, tint, true);
                    double over = Math.log10(electrons / (full * 1000));
                    if (from.equals(to) && over > 0 && !outside(a, 0)) {
                        double reach = LAMP_RAYS * over * window.width();
                        double share = LAMP_RAYS_SHARE * lens(a) / (window.binned() * window.binned());
                        rays(a, share * electrons, reach, 1, tint);
                    }
                }));
    }

    /** The same in water that is not quite still: below the horizon, drawn out downwards. */
    void mirrored(Vector from, double begin, Vector to, double end, double lux, double[] tint) {
        double electrons = perSecond(magnitude(lux)) * (end - begin) / (window.binned() * window.binned());
        at(new Vector(from.x(), from.y(), -from.z()), begin)
                .ifPresent(a -> at(new Vector(to.x(), to.y(), -to.z()), end).ifPresent(b -> {
                    SplittableRandom waves = new SplittableRandom(Double.doubleToLongBits(from.x() + begin));
                    for (int i = 0; i < WAVES; i++) {
                        double along = (i + 0.5) / WAVES;
                        double down = (waves.nextDouble() - 0.5) * WAVE_SHARE * window.height();
                        canvas.glint(
                                a.x() + (b.x() - a.x()) * along,
                                a.y() + (b.y() - a.y()) * along + down,
                                WAVE_SIGMA,
                                lens(a) * electrons / WAVES,
                                tint);
                    }
                }));
    }

    /** A lamp that stands, in water that is not quite still: a path of glints from the shore down to twice as far below as the lamp is above. */
    void glitter(Vector lamp, double seconds, double lux, double[] tint) {
        Optional<Point> shore = at(new Vector(lamp.x(), lamp.y(), 0).unit(), 0);
        Optional<Point> mirrored = at(new Vector(lamp.x(), lamp.y(), -lamp.z()), 0);
        if (shore.isEmpty() || mirrored.isEmpty()) {
            return;
        }
        double electrons =
                lens(mirrored.get()) * perSecond(magnitude(lux)) * seconds / (window.binned() * window.binned());
        SplittableRandom random = new SplittableRandom(Double.doubleToLongBits(lamp.x()));
        double down = mirrored.get().y() - shore.get().y();
        for (int i = 0; i < GLINTS; i++) {
            double far = random.nextDouble() + random.nextDouble(); // most of them where still water would mirror it
            double aside = (random.nextDouble() - 0.5) * GLITTER_WIDE * (0.5 + far) * Math.abs(down);
            canvas.glint(
                    mirrored.get().x() + aside, shore.get().y() + far * down, GLINT_SIGMA, electrons / GLINTS, tint);
        }
    }

    /** A lit rectangle before everything, upright in the picture, from its lower left to its upper right corner. */
    void pane(Vector from, Vector to, double cdM2, double[] tint) {
        Optional<Point> a = at(from, 0);
        Optional<Point> b = at(to, 0);
        if (a.isPresent() && b.isPresent()) {
            double left =
                    lens((a.get().x() + b.get().x()) / 2, (a.get().y() + b.get().y()) / 2);
            double each = left * perLuminance * cdM2 * shot.seconds();
            canvas.rectangle(a.get().x(), b.get().y(), b.get().x(), a.get().y(), each, tint);
        }
    }

    /** A cloud of smoke that sends so much light, lux times seconds. */
    void puff(Vector at, double sigmaDeg, double luxSeconds, double[] tint) {
        double pixels = sigmaDeg / shot.pixelDeg(window);
        double electrons = perSecond(magnitude(luxSeconds)) / (window.binned() * window.binned());
        at(at, 0)
                .filter(p -> !outside(p, 3 * pixels))
                .ifPresent(p -> canvas.spot(p.x(), p.y(), Math.max(1, pixels), lens(p) * electrons, tint));
    }

    /** What the lens leaves of the light at a point of the picture. */
    double lens(double x, double y) {
        return drawing.fallOff(radius(window.onSensor(x, y)));
    }

    private double lens(Point picture) {
        return lens(picture.x(), picture.y());
    }

    /** From the middle of the sensor, mm. */
    private static double radius(Point sensor) {
        return Math.sqrt(sensor.x() * sensor.x() + sensor.y() * sensor.y());
    }

    private static double magnitude(double lux) {
        return GroundLight.MAGNITUDE_OF_ONE_LUX - 2.5 * Math.log10(lux);
    }

    private double perSecond(double magnitude) {
        return atZero * Math.pow(10, -0.4 * magnitude);
    }

    /** Red, green and blue of a colour after the air, which takes blue before red. */
    private double[] seen(Vector local, double kelvin) {
        double[] tint = Tint.star(kelvin);
        float[] through = air[(int) Math.round(AIR_PER_DEGREE * Math.max(0, local.latitudeDeg()))];
        for (int c = 0; c < 3; c++) {
            tint[c] *= through[c];
        }
        return tint;
    }

    /** Where a star stands in the picture some seconds after the opening, given where it stood then. */
    private Optional<Point> starAt(Vector atOpening, double seconds) {
        return inPicture(turned(atOpening, seconds * (1 - tracker)));
    }

    /** Where something stands in the picture that is in a direction some seconds after the opening. */
    Optional<Point> at(Vector local, double seconds) {
        return inPicture(inFrame(local, seconds));
    }

    /** A direction at some seconds after the opening as the camera saw it at the opening: only a tracker makes them differ. */
    Vector inFrame(Vector local, double seconds) {
        return turned(local, -seconds * tracker);
    }

    private Vector turned(Vector local, double skySeconds) {
        if (skySeconds == 0) {
            return local;
        }
        if (skySeconds != turn) {
            turn = skySeconds;
            turnedAxes = turns.computeIfAbsent(skySeconds, s -> new Vector[] {
                Sidereal.later(UNIT[0], pole, s), Sidereal.later(UNIT[1], pole, s), Sidereal.later(UNIT[2], pole, s)
            });
        }
        return turnedAxes[0]
                .times(local.x())
                .plus(turnedAxes[1].times(local.y()))
                .plus(turnedAxes[2].times(local.z()));
    }

    private Optional<Point> inPicture(Vector direction) {
        return shot.framing().project(direction).map(window::inPicture);
    }

    private void streak(Point from, Point to, double electrons, double[] tint) {
        streak(from, to, electrons, tint, false);
    }

    /** @param before whether it shines before ground and marks */
    private void streak(Point from, Point to, double electrons, double[] tint, boolean before) {
        if (outside(from, MARGIN_PX) && outside(to, MARGIN_PX)) {
            return;
        }
        Point sensor = window.onSensor(from.x(), from.y());
        if (!shot.framing().draws(sensor)) {
            return;
        }
        double radius = radius(sensor);
        double px = drawing.sigmaPx(radius);
        double light = electrons * drawing.fallOff(radius);
        double dx = to.x() - from.x();
        double dy = to.y() - from.y();
        double length = Math.sqrt(dx * dx + dy * dy);
        double binned = window.binned();
        double[] all = {light * tint[0], light * tint[1], light * tint[2]};
        double[] kept = all.clone();
        double spread = 0;
        if (binned > 1) {
            for (int c = 0; c < 3; c++) {
                kept[c] = Burnt.kept(all[c], px, length * binned, full);
            }
            double white = Burnt.radius(light, px, length * binned, full);
            canvas.burn(from.x() + dx / 2, from.y() + dy / 2, white * (Math.PI * white + 2 * length * binned));
            spread = white / binned;
        }
        double reduced = REDUCED_SIGMA_PX * REDUCED_SIGMA_PX * (1 - 1 / (binned * binned));
        double sigma = Math.sqrt(px * px / (binned * binned) + reduced + spread * spread / 3);
        double point = 1;
        for (Halo halo : halos) {
            double wide = Math.sqrt(halo.sigmaUm() * halo.sigmaUm() / (pixelUm * pixelUm) + sigma * sigma);
            double drawnOut = Math.max(1, length / (SQRT_2_PI * wide));
            double peak = light * halo.share() / (2 * Math.PI * wide * wide * binned * binned * drawnOut);
            if (peak * binned > SEEN_E) {
                draw(from, to, length, wide, all, halo.share() / (binned * binned), before);
                point -= halo.share();
            }
        }
        double tail = COMA_UM / pixelUm * drawing.corner(radius);
        if (tail < LEAST_COMA_PX) {
            draw(from, to, length, Math.max(0.45, sigma), kept, point / (binned * binned), before);
            return;
        }
        double outX = sensor.x() / radius;
        double outY = sensor.y() / radius;
        for (int i = 0; i < COMA.length; i++) {
            double by = tail * i / (COMA.length - 1);
            double wide = WINGS * (tail - by);
            double share = COMA[i] * point / (2 * binned * binned);
            for (int side = -1; side <= 1; side += 2) {
                double dX = outX * by - outY * wide * side;
                double dY = outY * by + outX * wide * side;
                Point begin = new Point(from.x() + dX, from.y() + dY);
                Point end = new Point(to.x() + dX, to.y() + dY);
                draw(begin, end, length, Math.max(0.45, sigma) + 0.35 * by, kept, share, before);
            }
        }
    }

    /** Light of the moon or the sun in rays from the blades of a stopped-down lens; none where it is behind the ground. */
    void rays(Point at, double electrons, double reachPx) {
        rays(at, electrons, reachPx, canvas.openAt(at.x(), at.y()), Tint.MOON);
    }

    /** @param seen how much of the light is not hidden, 0 to 1 */
    private void rays(Point at, double electrons, double reachPx, double seen, double[] tint) {
        double strength = Blades.strength(Stops.ofApertures(shot.widest(), shot.aperture()));
        if (strength == 0 || seen == 0) {
            return; // wide open, or behind the ground
        }
        int rays = new Blades(shot.details().blades()).rays();
        double share = seen * RAYS_SHARE * strength / rays;
        for (int ray = 0; ray < rays; ray++) {
            double angle = Math.toRadians(11) + 2 * Math.PI * ray / rays;
            double length = reachPx * (0.75 + 0.25 * Math.cos(3 * angle));
            for (double r = 1; r < length; r++) {
                double light = electrons * share * (1 - r / length) * (1 - r / length) / length * 3;
                canvas.spot(
                        at.x() + r * Math.cos(angle), at.y() + r * Math.sin(angle), 0.7 + 0.004 * r, light, tint, true);
            }
        }
    }

    /** V of the faintest star that a pixel still tells from its noise. */
    double faintest() {
        double perSecondPx = Math.max(1e-9, pathPx() / shot.seconds());
        double peakAtZero = atZero
                * Math.min(shot.seconds(), PASSES_PX / perSecondPx)
                / (2 * Math.PI * LensDrawing.LEAST_SIGMA_PX * LensDrawing.LEAST_SIGMA_PX * window.binned());
        return 2.5 * Math.log10(peakAtZero / (3 * SEEN_E));
    }

    /** Way of a star through the middle of the picture while the shutter is open, pixels of the picture. */
    double pathPx() {
        return skyTurnsDeg * Math.sqrt(Math.max(0, 1 - Math.pow(forward.dot(pole), 2))) / shot.pixelDeg(window);
    }

    private void draw(
            Point from, Point to, double length, double sigma, double[] electrons, double share, boolean before) {
        if (length > SHORT * sigma && length < LONG * sigma && sigma < HaloCells.FROM_SIGMA_PX) {
            canvas.line(from.x(), from.y(), to.x(), to.y(), sigma, share, electrons, before);
            return;
        }
        int steps = (int) Math.max(1, Math.ceil(length / Math.max(0.25, sigma) / APART));
        double margin = 5 * sigma + 1;
        double[] inside = {0, 1}; // of the line, what lies in the picture
        clip(from.x(), to.x(), -margin, window.width() + margin, inside);
        clip(from.y(), to.y(), -margin, window.height() + margin, inside);
        int last = (int) Math.min(steps, Math.ceil(inside[1] * steps));
        for (int i = (int) Math.max(0, Math.floor(inside[0] * steps)); i < last; i++) {
            double along = (i + 0.5) / steps;
            double x = from.x() + (to.x() - from.x()) * along;
            double y = from.y() + (to.y() - from.y()) * along;
            canvas.spot(x, y, sigma, share / steps, electrons, before);
        }
    }

    /** Narrows the part of a line, 0 to 1, to where a coordinate lies between two limits. */
    private static void clip(double from, double to, double low, double high, double[] part) {
        double by = to - from;
        if (by == 0) {
            if (from < low || from > high) {
                part[1] = part[0];
            }
            return;
        }
        double one = (low - from) / by;
        double other = (high - from) / by;
        part[0] = Math.max(part[0], Math.min(one, other));
        part[1] = Math.min(part[1], Math.max(one, other));
    }

    private boolean outside(Point p, double margin) {
        return p.x() < -margin
                || p.y() < -margin
                || p.x() > window.width() + margin
                || p.y() > window.height() + margin;
    }
}
