package dev.halfdusk.app.setup;

import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.web.Choice;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.fireworks.FiringPoint;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.optics.Orientation;
import dev.halfdusk.core.take.Fireworks;
import dev.halfdusk.core.take.NightScene;
import dev.halfdusk.core.take.Subject;
import dev.halfdusk.core.take.Take;
import java.time.Instant;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.springframework.web.util.UriComponentsBuilder;

/**
 * The page of a take's subject, opened with the numbers of the take: what {@link KeptTake} makes of a page, the other way round.
 *
 * @param path of the page
 * @param fixed what the page is told beside the numbers: "kind=trails"
 * @param names of its fields, by the names of the subject's numbers
 */
public record TakePage(String path, Map<String, String> fixed, Map<String, String> names) {

    /** Of overlap: a share in the take, percent on the page. */
    private static final double PERCENT = 100;

    private static final Map<String, TakePage> BY_SUBJECT = Map.of(
            "moon",
            new TakePage(
                    "/events/moon",
                    Map.of(),
                    Map.of(
                            "extinction",
                            "haze",
                            "stabiliserStops",
                            "stabiliser",
                            "windMs",
                            "wind",
                            "brighterStops",
                            "brighter")),
            "lunar-eclipse",
            new TakePage(
                    "/events/eclipse",
                    Map.of(),
                    same("everySeconds", "switchAt", "danjon", "brighterStops", "limbBrighterStops")),
            "fireworks",
            new TakePage(
                    "/events/fireworks",
                    Map.of(),
                    Map.of(
                            "minutes",
                            "length",
                            "shutterSeconds",
                            "shutter",
                            "iso",
                            "iso",
                            "heightM",
                            "height",
                            "shellMm",
                            "shell",
                            "swapMm",
                            "swap",
                            "flip",
                            "flip",
                            "nights",
                            "nights")),
            "night-scene",
            new TakePage(
                    "/events/night-scene",
                    Map.of("reading", "ev"),
                    Map.of("iso", "iso", "ev100", "ev", "frames", "frames", "exponent", "exponent")),
            "panorama",
            new TakePage(
                    "/frame/panorama",
                    Map.of(),
                    Map.of("clickDeg", "click", "marginDeg", "margin", "settleSeconds", "settle")),
            "trails",
            new TakePage(
                    "/sequences",
                    Map.of("kind", "trails", "want", "arc"),
                    Map.of("arcDeg", "arc", "exposureSeconds", "exposure", "pauseSeconds", "pause", "darks", "darks")),
            "stack",
            new TakePage(
                    "/sequences",
                    Map.of("kind", "stack", "want", "frames"),
                    Map.of("frames", "frames", "darks", "darks")),
            "time-lapse",
            new TakePage(
                    "/sequences",
                    Map.of("kind", "lapse"),
                    Map.of("clipSeconds", "clip", "perSecond", "fps", "intervalSeconds", "interval")));

    private static Map<String, String> same(String... names) {
        Map<String, String> all = new HashMap<>();
        List.of(names).forEach(n -> all.put(n, n));
        return all;
    }

    /**
     * Its address; empty where the subject has no page of its own.
     *
     * @param demand of stars in its night
     * @param rig number of its rig in the kit
     * @param opens when it opens in the night
     */
    public static Optional<Choice> of(Take take, Demand demand, long rig, Place place, LocalDate night, Instant opens) {
        return Optional.ofNullable(BY_SUBJECT.get(take.subject().kind().key()))
                .filter(p -> place.id() != null)
                .map(p -> new Choice(
                        p.address(take, demand, rig, place, night, opens),
                        take.subject().kind().words()));
    }

    private String address(Take take, Demand demand, long rig, Place place, LocalDate night, Instant opens) {
        Map<String, String> all = new LinkedHashMap<>(fixed);
        all.put("place", "" + place.id());
        all.put("night", night.toString());
        all.put("time", Words.clock(opens, place.zone()));
        all.put("rig", "" + rig);
        all.put("focal", Numbers.plain(take.setting().onLensMm()));
        all.put("aperture", Numbers.plain(take.setting().aperture()));
        all.put("upright", take.framed().held() == Orientation.PORTRAIT ? "on" : "");
        all.put("tolerance", Numbers.plain(demand.tolerancePx()));
        all.put("sharp", demand.sharp().key());
        take.framed().aim().ifPresent(a -> {
            all.put("aim", "point");
            all.put("azimuth", Numbers.plain(a.azimuthDeg(), 3));
            all.put("altitude", Numbers.plain(a.altitudeDeg(), 3));
        });
        numbers(take.subject(), all);
        decided(take, all);
        UriComponentsBuilder uri = UriComponentsBuilder.fromPath(path);
        all.forEach((name, value) -> {
            if (!value.isEmpty()) {
                uri.queryParam(name, value);
            }
        });
        return uri.encode().build().toUriString();
    }

    private void numbers(Subject subject, Map<String, String> all) {
        List<Subject.Parameter> parameters = subject.kind().parameters();
        for (int i = 0; i < parameters.size(); i++) {
            Subject.Parameter p = parameters.get(i);
            double value = subject.values().get(i);
            boolean tick = p.sort() == Subject.Parameter.Sort.YES_NO;
            String text = tick ? value != 0 ? "on" : "" : Numbers.plain(value);
            if (names.containsKey(p.name()) && !(p.name().equals("swapMm") && value == 0)) {
                all.put(names.get(p.name()), text);
            } else if (p.name().equals("overlap")) {
                all.put("overlap", Numbers.plain(PERCENT * value, 3));
            } else if (p.name().equals("shadows")) {
                all.put("metering", value != 0 ? "shadows" : "mid");
            }
        }
        if (subject instanceof NightScene scene) {
            all.put("view", scene.view().key());
        }
        if (subject instanceof Fireworks f) {
            fired(f, all);
        }
    }

    /** Each point of its front. */
    private static void fired(Fireworks f, Map<String, String> all) {
        all.put("show", f.seen().display().show().key());
        List<FiringPoint> points = f.seen().display().points();
        for (int i = 0; i < points.size(); i++) {
            String number = i == 0 ? "" : "" + (i + 1);
            all.put("distance" + number, Numbers.plain(points.get(i).distanceM(), 4));
            all.put("bearing" + number, Numbers.plain(points.get(i).bearingDeg(), 5));
        }
    }

    private void decided(Take take, Map<String, String> all) {
        if (!path.equals("/sequences")) {
            return;
        }
        Map<String, OptionalDouble> decided = Map.of(
                "exposure", take.decision().light().shutterSeconds(),
                "iso", take.decision().light().iso(),
                "pause", take.decision().frames().pauseSeconds());
        decided.forEach((name, value) -> {
            if (value.isPresent()) {
                all.put(name, Numbers.plain(value.getAsDouble()));
            }
        });
    }
}
