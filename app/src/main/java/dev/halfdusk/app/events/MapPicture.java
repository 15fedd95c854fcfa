package dev.halfdusk.app.events;

import dev.halfdusk.app.pictures.PathText;
import dev.halfdusk.app.places.Coast;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.core.eclipse.CentralLine;
import dev.halfdusk.core.eclipse.EclipseZones;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.sky.Site;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.Function;

/**
 * The path of an eclipse of the sun on a map: degrees as squares about a middle, narrower by its latitude. In a box of {@value #WIDTH} ×
 * {@value #HEIGHT}.
 *
 * @param coast path of coastlines
 * @param line path of the central line
 * @param north path of its northern limit, south of its southern one
 * @param edge path of the limit of the partial eclipse
 * @param curves of equal maximum
 */
record MapPicture(
        String coast,
        String line,
        String north,
        String south,
        String edge,
        List<Curve> curves,
        List<Spot> spots,
        List<Spot> times) {

    static final int WIDTH = 900;
    static final int HEIGHT = 460;
    private static final double LEAST_STEP = 1.4;

    /** A line may leave the box by so much before it is cut. */
    private static final double MARGIN = 60;

    /** A place on the map. */
    record Spot(double x, double y, String name, boolean here) {

        Spot unnamed() {
            return new Spot(x, y, "", here);
        }
    }

    /** Words on the map, from the left end of their line. */
    private record Label(double x, double y, String words) {

        /** Whether one would stand on another. */
        boolean crowds(Label other) {
            return !words.isEmpty()
                    && !other.words.isEmpty()
                    && Math.abs(y - other.y) < LINE
                    && x < other.x + LETTER * other.words.length()
                    && other.x < x + LETTER * words.length();
        }
    }

    private static final double LINE = 14;
    private static final double LETTER = 7.5;

    /** Beside their dots, as the template writes them. */
    private static Label label(Spot place) {
        return new Label(place.x + 8, place.y + 5, place.name);
    }

    private static Label clock(Spot time) {
        return new Label(time.x + 6, time.y - 6, time.name);
    }

    /** A curve of equal maximum, with its label where it crosses the right of the map. */
    record Curve(String path, String words, double x, double y) {

        private Label label() {
            return new Label(x - LETTER * words.length() / 2, y - 3, words);
        }

        private Curve unnamed() {
            return new Curve(path, "", x, y);
        }
    }

    private static final List<Integer> MAXIMA = List.of(20, 40, 60, 80);

    /** Where labels stand. */
    private static final double LABELLED = 0.78;

    /** Where a place on earth lies in the box. */
    private record View(double longitudeDeg, double latitudeDeg, double across, double up) {

        static View about(Site middle, int zoom) {
            double up = WIDTH / 360.0 * zoom;
            boolean world = zoom == 1;
            double squeeze = world ? 1 : Math.max(0.2, Math.cos(Math.toRadians(middle.latitudeDeg())));
            return new View(middle.longitudeDeg(), world ? 0 : middle.latitudeDeg(), up * squeeze, up);
        }

        double x(double longitude) {
            return WIDTH / 2.0 + Angles.halfTurn(longitude - longitudeDeg) * across;
        }

        double y(double latitude) {
            return HEIGHT / 2.0 - (latitude - latitudeDeg) * up;
        }

        boolean shows(double x, double y) {
            return x > -MARGIN && x < WIDTH + MARGIN && y > -MARGIN && y < HEIGHT + MARGIN;
        }
    }

    /** @param zoom 1 the whole world, higher about the place */
    static MapPicture of(List<CentralLine.Point> line, EclipseZones zones, Place here, List<Place> places, int zoom) {
        View view = View.about(here.site(), zoom);
        List<Spot> spots = new ArrayList<>();
        List<Place> ownFirst = places.stream()
                .sorted(Comparator.comparing((Place p) -> !p.id().equals(here.id())))
                .toList();
        for (Place p : ownFirst) {
            boolean own = p.id().equals(here.id());
            Spot spot = spot(view, p.site(), own || zoom > 1 ? p.name() : "", own);
            if (spot.x > 0 && spot.x < WIDTH && spot.y > 0 && spot.y < HEIGHT) {
                boolean room = spots.stream().noneMatch(s -> label(s).crowds(label(spot)));
                spots.add(room ? spot : spot.unnamed());
            }
        }
        List<Spot> times = line.stream()
                .filter(p -> p.when().getEpochSecond() % (zoom > 5 ? 600 : 1800) == 0)
                .map(p -> spot(view, p.site(), p.when().toString().substring(11, 16), false))
                .filter(s -> s.x > 0 && s.x < WIDTH && s.y > 0 && s.y < HEIGHT)
                .map(s -> spots.stream().noneMatch(p -> label(p).crowds(clock(s))) ? s : s.unnamed())
                .toList();
        return new MapPicture(
                coast(view),
                path(view, line, CentralLine.Point::site),
                path(view, line, CentralLine.Point::northLimit),
                path(view, line, CentralLine.Point::southLimit),
                pieces(view, zones.curve(0)),
                MAXIMA.stream()
                        .map(m -> curve(view, zones.curve(m / 100.0), m))
                        .map(c -> spots.stream().noneMatch(p -> label(p).crowds(c.label())) ? c : c.unnamed())
                        .toList(),
                spots,
                times);
    }

    private static Spot spot(View view, Site site, String name, boolean here) {
        return new Spot(
                PathText.tenth(view.x(site.longitudeDeg())), PathText.tenth(view.y(site.latitudeDeg())), name, here);
    }

    private static String path(View view, List<CentralLine.Point> line, Function<CentralLine.Point, Site> which) {
        StringBuilder path = new StringBuilder();
        double before = Double.NaN;
        for (CentralLine.Point p : line) {
            Site s = which.apply(p);
            double x = view.x(s.longitudeDeg());
            boolean jumps = !(Math.abs(x - before) < WIDTH / 2.0);
            path.append(jumps ? 'M' : 'L').append(point(x, view.y(s.latitudeDeg())));
            before = x;
        }
        return path.toString();
    }

    private static Curve curve(View view, List<EclipseZones.Piece> pieces, int percent) {
        EclipseZones.Piece label = pieces.stream()
                .filter(p -> view.y(p.fromLatitudeDeg()) > 16 && view.y(p.fromLatitudeDeg()) < HEIGHT - 16)
                .min(Comparator.comparingDouble(p -> Math.abs(view.x(p.fromLongitudeDeg()) - LABELLED * WIDTH)))
                .orElse(null);
        boolean shown = label != null && Math.abs(view.x(label.fromLongitudeDeg()) - LABELLED * WIDTH) < WIDTH / 8.0;
        return new Curve(
                pieces(view, pieces),
                shown ? percent + " %" : "",
                shown ? PathText.tenth(view.x(label.fromLongitudeDeg())) : 0,
                shown ? PathText.tenth(view.y(label.fromLatitudeDeg())) : 0);
    }

    private static String pieces(View view, List<EclipseZones.Piece> pieces) {
        StringBuilder path = new StringBuilder();
        for (EclipseZones.Piece p : pieces) {
            double x = view.x(p.fromLongitudeDeg());
            double y = view.y(p.fromLatitudeDeg());
            double toX = view.x(p.toLongitudeDeg());
            if (view.shows(x, y) && Math.abs(toX - x) < WIDTH / 2.0) {
                path.append('M').append(point(x, y)).append('L').append(point(toX, view.y(p.toLatitudeDeg())));
            }
        }
        return path.toString();
    }

    private static String coast(View view) {
        StringBuilder path = new StringBuilder();
        for (Coast.Ring ring : Coast.world().rings()) {
            double lastX = Double.NaN;
            double lastY = Double.NaN;
            boolean open = false;
            for (int i = 0; i < ring.longitudes().length; i++) {
                double x = view.x(ring.longitudes()[i]);
                double y = view.y(ring.latitudes()[i]);
                if (!view.shows(x, y)) {
                    open = false;
                    continue;
                }
                boolean jumps = open && Math.abs(x - lastX) > WIDTH / 2.0;
                if (open
                        && !jumps
                        && Math.hypot(x - lastX, y - lastY) < LEAST_STEP
                        && i + 1 < ring.longitudes().length) {
                    continue;
                }
                path.append(open && !jumps ? 'L' : 'M').append(point(x, y));
                open = true;
                lastX = x;
                lastY = y;
            }
        }
        return path.toString();
    }

    private static String point(double x, double y) {
        return PathText.tenth(x) + "," + PathText.tenth(y);
    }
}
