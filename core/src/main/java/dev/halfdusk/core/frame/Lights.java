package dev.halfdusk.core.frame;

import dev.halfdusk.core.exposure.SkyElectrons;
import dev.halfdusk.core.glow.Air;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.measure.Vector;
import dev.halfdusk.core.optics.Framing.Point;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.FixedPoint;
import dev.halfdusk.core.sky.Sidereal;
import dev.halfdusk.core.sky.Star;
import java.util.Map;
import java.util.Optional;

/** Points of light, drawn into a picture's electrons: stars and planets with their spread and drift. */
final class Lights {

    private static final double PLANET_K = 5500;
    private static final Map<Body, Double> PLANETS =
            Map.of(Body.VENUS, -4.2, Body.MARS, 0.6, Body.JUPITER, -2.3, Body.SATURN, 0.6);

    /** Seeing, guiding and the pixel itself, sensor pixels. */
    private static final double LEAST_SIGMA_PX = 0.6;

    /** A fast lens' corner wide open, micrometres. */
    private static final double CORNER_SIGMA_UM = 9;

    private final Scene scene;
    private final Shot shot;
    private final Window window;
    private final Trails trails;
    private final Canvas canvas;
    private final Vector pole;
    private final double perPhoton;
    private final Vector[] axes;

    Lights(Scene scene, Shot shot, Window window, Trails trails, Canvas canvas) {
        this.scene = scene;
        this.shot = shot;
        this.window = window;
        this.trails = trails;
        this.canvas = canvas;
        pole = Sidereal.northPole(scene.from().site());
        double apertureCm = shot.framing().optics().focalMm() / shot.aperture() / 10;
        perPhoton = Math.PI / 4 * apertureCm * apertureCm * shot.efficiency();
        axes = new Vector[] {local(0, 0), local(90, 0), local(0, 90)};
    }

    private Vector local(double rightAscension, double declination) {
        return scene.moment().local(new FixedPoint(rightAscension, declination), scene.observer());
    }

    /** Draws them all; the made-up faint ones only among all stars. */
    void draw(Photograph.Stars stars) {
        double reach = Math.cos(Math.min(
                Math.PI,
                Math.toRadians(shot.framing().optics().diagonalDeg() / 2 + 2)
                        + Math.toRadians(trails.turnDeg(shot.seconds()))));
        Vector forward = shot.framing().see(new Point(0, 0));
        for (Star star : Star.all()) {
            Vector icrs = Vector.towards(
                    star.place().rightAscensionDeg(), star.place().declinationDeg());
            if (turned(icrs.x(), icrs.y(), icrs.z()).dot(forward) > reach) {
                Vector local = scene.moment().local(star.place(), scene.observer());
                point(local, star.magnitude(), star.temperatureK());
            }
        }
        for (Map.Entry<Body, Double> planet : PLANETS.entrySet()) {
            Vector local =
                    scene.moment().local(planet.getKey(), scene.observer()).unit();
            if (local.dot(forward) > reach) {
                point(local, planet.getValue(), PLANET_K);
            }
        }
        if (stars == Photograph.Stars.ALL && trails.frames() == 1) {
            for (int i = 0; i < FaintStars.COUNT; i++) {
                Vector local = turned(FaintStars.X[i], FaintStars.Y[i], FaintStars.Z[i]);
                if (local.dot(forward) > reach) {
                    point(local, FaintStars.MAGNITUDE[i], FaintStars.KELVIN[i]);
                }
            }
        }
    }

    private Vector turned(double x, double y, double z) {
        return new Vector(
                axes[0].x() * x + axes[1].x() * y + axes[2].x() * z,
                axes[0].y() * x + axes[1].y() * y + axes[2].y() * z,
                axes[0].z() * x + axes[1].z() * y + axes[2].z() * z);
    }

    private void point(Vector local, double magnitude, double kelvin) {
        if (local.z() < -0.02 && trails.frames() == 1) {
            return;
        }
        double air = Air.transmission(SkyGlow.CLEAR, Air.mass(local.latitudeDeg()));
        double perSecond = SkyElectrons.PHOTONS_AT_ZERO * Math.pow(10, -0.4 * magnitude) * air * perPhoton;
        double[] tint = Tint.of(kelvin);
        for (int frame = 0; frame < trails.frames(); frame++) {
            double start = frame * (shot.seconds() + trails.pauseSeconds());
            Optional<Point> from = at(local, start);
            Optional<Point> to = at(local, start + shot.seconds());
            if (from.isPresent() && to.isPresent()) {
                streak(from.get(), to.get(), perSecond * shot.seconds(), tint);
            }
        }
    }

    /** Where a star stands in the picture some seconds on: a tracker at the rate of moon or sun falls behind it or runs ahead. */
    private Optional<Point> at(Vector local, double seconds) {
        double behind = 1 - shot.support().kind().arcsecPerSecond() / Sidereal.ARCSEC_PER_SECOND;
        return shot.framing()
                .project(behind == 0 ? local : Sidereal.later(local, pole, seconds * behind))
                .map(window::inPicture);
    }

    private void streak(Point from, Point to, double electrons, double[] tint) {
        double margin = 40;
        if (outside(from, margin) && outside(to, margin)) {
            return;
        }
        Point sensor = window.onSensor(from.x(), from.y());
        if (!shot.framing().draws(sensor)) {
            return;
        }
        double sigma = sigma(sensor);
        double share = electrons * Backdrop.fallOff(shot, sensor) / (window.binned() * window.binned());
        double length = Math.hypot(to.x() - from.x(), to.y() - from.y());
        int steps = (int) Math.max(1, Math.ceil(length / Math.max(0.25, 0.5 * sigma)));
        for (int i = 0; i < steps; i++) {
            double along = (i + 0.5) / steps;
            canvas.spot(
                    from.x() + (to.x() - from.x()) * along,
                    from.y() + (to.y() - from.y()) * along,
                    sigma,
                    share / steps,
                    tint);
        }
    }

    private boolean outside(Point p, double margin) {
        return p.x() < -margin
                || p.y() < -margin
                || p.x() > window.width() + margin
                || p.y() > window.height() + margin;
    }

    /** Spread of a point in picture pixels: diffraction, focus, corners and the pixel. */
    private double sigma(Point sensor) {
        double pitch = window.sensor().pitchUm();
        double airy = 0.42 * 0.55 * shot.aperture() / pitch;
        double focus = shot.defocusUm() / 2 / pitch;
        double radius = Math.hypot(sensor.x(), sensor.y()) / (window.sensor().diagonalMm() / 2);
        double open = shot.widest() / shot.aperture();
        double corner = CORNER_SIGMA_UM / pitch * Math.pow(radius, 3) * open * open * open;
        double px = Math.sqrt(LEAST_SIGMA_PX * LEAST_SIGMA_PX + airy * airy + focus * focus + corner * corner);
        return Math.max(0.45, px / window.binned());
    }
}
