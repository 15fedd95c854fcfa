package dev.halfdusk.core.practice;

import dev.halfdusk.core.exposure.Film;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.ApertureDial;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Dial;
import dev.halfdusk.core.optics.Lens;
import dev.halfdusk.core.optics.Projection;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Sensor;
import dev.halfdusk.core.optics.Support;
import dev.halfdusk.core.practice.Wheel.Position;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What one practises with: a rig, and all that can be turned on it.
 *
 * @param name for people
 * @param film in it instead of a sensor that can be turned
 * @param wheels every control there is
 */
public record Outfit(String name, Rig rig, Optional<Film> film, Map<Control, Wheel> wheels) {

    /** Clicks of the aim to the width of a frame. */
    public static final int AIM_CLICKS = 40;

    /** The printed mark stands so far before the ring's stop, mm. */
    public static final double MARK_MM = 1.2;

    /** Where nobody has looked, stars are sharp here. */
    private static final double USUAL_INFINITY_MM = 0.5;

    private static final double RING_MM = 4;
    private static final double RING_CLICK_MM = 0.1;
    private static final int ZOOM_CLICKS = 12;
    private static final double SAME = 1e-6;

    public Outfit {
        wheels = Map.copyOf(wheels);
    }

    /** Sizes of sensor that bodies have. */
    public enum SensorSize {
        FULL("full frame", 35.9, 23.9, 6000),
        APS("APS-C", 23.5, 15.6, 6000),
        FOURTHIRDS("four-thirds", 17.3, 13, 5200);

        private final String words;
        private final Sensor sensor;

        SensorSize(String words, double wide, double high, int pixels) {
            this.words = words;
            sensor = Sensor.of(wide, high, pixels);
        }

        public String words() {
            return words;
        }
    }

    /** A body and lens of no maker. */
    public static Outfit of(SensorSize size, double shortestMm, double longestMm, double widest) {
        CameraBody body = CameraBody.generic(size.sensor, Dial.THIRD, 51_200);
        Lens lens = new Lens(shortestMm, longestMm, widest, widest, Projection.RECTILINEAR);
        String mm = Numbers.plain(shortestMm) + (longestMm > shortestMm ? "\u2013" + Numbers.plain(longestMm) : "");
        return of(
                size.words + ", " + mm + " mm f/" + Numbers.trimmed(widest, 1),
                Rig.of(body, lens, List.of(Support.TRIPOD)),
                Optional.empty());
    }

    /** One's own. */
    public static Outfit of(String name, Rig rig, Optional<Film> film) {
        Map<Control, Wheel> wheels = new EnumMap<>(Control.class);
        for (Wheel w : wheels(rig, film)) {
            wheels.put(w.control(), w);
        }
        return new Outfit(name, rig, film, wheels);
    }

    private static List<Wheel> wheels(Rig rig, Optional<Film> film) {
        CameraBody body = rig.body();
        Range apertures = rig.apertures(rig.lens().shortestMm());
        List<Position> shutters = body.shutters().stream()
                .map(s -> new Position(s.label(), s.realSeconds()))
                .toList();
        List<Position> isos = new ArrayList<>();
        if (film.isPresent()) {
            isos.add(new Position(Numbers.plain(film.get().speed()), film.get().speed()));
        } else {
            body.isoSteps().forEach(i -> isos.add(new Position(Integer.toString(i), i)));
            isos.add(new Position("auto", 0));
        }
        double click = rig.optics(rig.lens().shortestMm()).widthDeg() / AIM_CLICKS;
        return List.of(
                Wheel.words(Control.MODE, "manual", "aperture first", "shutter first", "automatic", "bulb"),
                Wheel.near(Control.SHUTTER, shutters, 1 / 125.0),
                Wheel.of(
                        Control.APERTURE,
                        ApertureDial.between(apertures.min(), apertures.max()),
                        v -> Numbers.trimmed(v, 1),
                        8),
                new Wheel(Control.ISO, isos, 0),
                thirds(),
                Wheel.words(Control.METERING, "whole", "middle", "spot", "shadows"),
                new Wheel(Control.BALANCE, balances(), 0),
                ring(),
                Wheel.of(
                        Control.ZOOM,
                        zooms(rig.lens()),
                        v -> Numbers.trimmed(v, 0),
                        rig.lens().shortestMm()),
                Wheel.even(Control.SIDEWAYS, -2 * AIM_CLICKS * click, 2 * AIM_CLICKS * click, click, "\u00b0", 0),
                Wheel.even(Control.HEIGHT, -2 * AIM_CLICKS * click, 2 * AIM_CLICKS * click, click, "\u00b0", 0),
                Wheel.even(Control.ROLL, -10, 10, 0.5, "\u00b0", 0),
                Wheel.words(Control.HELD, "landscape", "upright"),
                Wheel.words(Control.TIMER, "off", "2 s", "10 s"),
                Wheel.words(Control.REDUCTION, "off", "on"),
                Wheel.words(Control.STABILISER, "off", "on"),
                Wheel.of(
                        Control.FRAMES,
                        List.of(1.0, 5.0, 10.0, 20.0, 40.0, 60.0, 80.0, 120.0, 160.0, 240.0),
                        Numbers::plain,
                        1),
                Wheel.even(Control.INTERVAL, 1, 80, 1, " s", 1),
                Wheel.words(Control.COUNTS, "from opening to opening", "the pause"),
                Wheel.words(Control.FRONT, "nothing", "solar filter", "cap"),
                Wheel.words(Control.HEATER, "off", "on"),
                Wheel.words(Control.LAMP, "dark", "red", "white"),
                Wheel.even(Control.STROKES, 0, 20, 1, "", 0));
    }

    private static Wheel thirds() {
        List<Position> all = new ArrayList<>();
        for (int i = -15; i <= 15; i++) {
            String third = i % 3 == 0 ? "" : Math.abs(i) % 3 == 1 ? "\u2153" : "\u2154";
            int whole = Math.abs(i) / 3;
            String sign = i < 0 ? "\u2212" : i > 0 ? "+" : "";
            all.add(new Position(sign + (whole == 0 && !third.isEmpty() ? "" : whole) + third, i / 3.0));
        }
        return new Wheel(Control.COMPENSATION, all, 15);
    }

    private static List<Position> balances() {
        List<Position> all = new ArrayList<>(List.of(new Position("automatic", 0)));
        for (int kelvin : new int[] {2800, 3200, 3500, 3800, 4000, 4500, 5000, 5500, 6500, 7500}) {
            all.add(new Position(kelvin + " K", kelvin));
        }
        return all;
    }

    /** From what is near to the stop. */
    private static Wheel ring() {
        List<Position> all = new ArrayList<>();
        int clicks = (int) Math.round(RING_MM / RING_CLICK_MM);
        int mark = (int) Math.round((RING_MM - MARK_MM) / RING_CLICK_MM);
        for (int i = 0; i <= clicks; i++) {
            double before = RING_MM - i * RING_CLICK_MM;
            all.add(new Position(
                    i == mark ? "\u221e mark" : i == clicks ? "stop" : Numbers.fixed(before, 1) + " mm", before));
        }
        return new Wheel(Control.FOCUS, all, mark);
    }

    private static List<Double> zooms(Lens lens) {
        if (lens.isPrime()) {
            return List.of(lens.shortestMm());
        }
        List<Double> all = new ArrayList<>();
        double times = Math.pow(lens.longestMm() / lens.shortestMm(), 1.0 / ZOOM_CLICKS);
        for (int i = 0; i <= ZOOM_CLICKS; i++) {
            double mm = Math.round(lens.shortestMm() * Math.pow(times, i));
            if (all.isEmpty() || mm > all.get(all.size() - 1) + SAME) {
                all.add(lens.focalLengths().nearest(mm));
            }
        }
        return all;
    }

    public Wheel wheel(Control control) {
        return wheels.get(control);
    }

    /** By which the ring stands before its stop when stars are sharp. */
    public double infinityMm() {
        return rig.lens().infinityMm().orElse(USUAL_INFINITY_MM);
    }
}
