package dev.halfdusk.app.stand;

import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.PlaceForm;
import dev.halfdusk.app.places.Skies;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.Showing;
import dev.halfdusk.core.night.Sight;
import dev.halfdusk.core.search.FullMoonEvenings;
import dev.halfdusk.core.search.StandingLine;
import dev.halfdusk.core.sky.HorizonEvent;
import dev.halfdusk.core.sky.Target;
import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.temporal.ChronoUnit;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;

/** The moment, the mark and the distance someone asks about. */
public record StandForm(Target target, Instant when, double footM, double part, double distanceM) {

    static final int FARTHEST_STEP = 120;

    private static final double FREE = 1.3;
    private static final Range STEP = new Range("distance", 0, FARTHEST_STEP, "");
    private static final Range SHIFT = new Range("minutes", -90, 90, "");
    private static final double NEAREST_M = 20;
    private static final double SPAN = 1000;
    private static final Duration AFTER_RISE = Duration.ofMinutes(20);

    /** Fills in what was not asked: the next evening on which it is worth it. */
    public static void fill(Form form, Place place, Mark mark, Instant now, Skies skies) {
        form.putIfMissing("body", "moon");
        evening(form);
        if (!form.has("date") || !form.has("time")) {
            LocalDateTime local = LocalDateTime.ofInstant(
                            suggested(form.value("body"), place, now, skies), place.zone())
                    .truncatedTo(ChronoUnit.MINUTES);
            form.putIfMissing("date", local.toLocalDate()).putIfMissing("time", local.toLocalTime());
        }
        form.putIfMissing("shift", "0").putIfMissing("foot", mark.footM()).putIfMissing("part", "2");
    }

    /** One of the listed evenings in place of date and time. */
    private static void evening(Form form) {
        try {
            LocalDateTime evening = LocalDateTime.parse(form.value("evening"));
            form.put("date", evening.toLocalDate())
                    .put("time", evening.toLocalTime())
                    .put("shift", "0")
                    .put("body", "moon");
        } catch (DateTimeException e) {
            // none of the list
        }
    }

    /** When to look at a moon that rises: a little later, when it stands free. */
    static Instant free(FullMoonEvenings.Evening evening) {
        return evening.moonrise().plus(AFTER_RISE);
    }

    private static Instant suggested(String body, Place place, Instant now, Skies skies) {
        Night tonight = skies.night(place, LocalDate.ofInstant(now, place.zone()));
        return switch (body) {
            case "moon" ->
                skies.fullMoonEvenings(place, LocalDate.ofInstant(now, place.zone())).stream()
                        .filter(e -> e.moonrise().isAfter(now))
                        .findFirst()
                        .map(StandForm::free)
                        .orElse(now);
            case "sun" ->
                tonight.set(HorizonEvent.Kind.SUN).map(t -> t.minus(AFTER_RISE)).orElse(now);
            default -> {
                Showing showing = tonight.showing(Sight.of(body).orElse(Sight.CORE));
                yield showing.best()
                        .or(showing::highest)
                        .orElse(tonight.sunLowest().when());
            }
        };
    }

    /** Reads it; empty where the form now holds complaints. */
    public static Optional<StandForm> read(Form form, Place place, Mark mark) {
        Target target = PlaceForm.watched(form).orElse(null);
        LocalDate date = form.night("date");
        LocalTime time = time(form);
        OptionalLong shift = form.whole("shift", SHIFT);
        OptionalDouble foot = form.number("foot", Mark.FOOT);
        OptionalDouble part = form.number("part", StandingLine.PART);
        OptionalDouble typed = typedDistance(form);
        if (form.hasErrors()) {
            return Optional.empty();
        }
        Instant when = date.atTime(time).atZone(place.zone()).toInstant().plus(Duration.ofMinutes(shift.getAsLong()));
        OptionalDouble distance = typed.isPresent()
                ? typed
                : OptionalDouble.of(
                        suggestedDistance(StandingLine.of(target, when, place.site(), mark, foot.getAsDouble()), mark));
        form.put("far", step(distance.getAsDouble()));
        return Optional.of(new StandForm(target, when, foot.getAsDouble(), part.getAsDouble(), distance.getAsDouble()));
    }

    private static LocalTime time(Form form) {
        try {
            return LocalTime.parse(form.value("time"));
        } catch (DateTimeException e) {
            form.reject("time", "Enter a time as hours and minutes, such as 21:40.");
            return LocalTime.NOON;
        }
    }

    /** Somewhat farther than where it stands on the top, so that it stands free; else that of the mark from its place. */
    private static double suggestedDistance(StandingLine line, Mark mark) {
        OptionalDouble top = line.touching();
        return top.isPresent() ? metres(step(FREE * top.getAsDouble())) : mark.distanceM();
    }

    /** Named exactly by a link, else by the slider's step. */
    private static OptionalDouble typedDistance(Form form) {
        if (form.has("distance")) {
            return form.number("distance", Mark.DISTANCE);
        }
        if (!form.has("far")) {
            return OptionalDouble.empty();
        }
        OptionalLong step = form.whole("far", STEP);
        return step.isEmpty() ? OptionalDouble.empty() : OptionalDouble.of(metres(step.getAsLong()));
    }

    static double metres(long step) {
        double exact = NEAREST_M * Math.pow(SPAN, (double) step / FARTHEST_STEP);
        double unit = Math.pow(10, Math.floor(Math.log10(exact)) - 1) / 2;
        return Math.round(exact / unit) * unit;
    }

    private static long step(double metres) {
        double share = Math.log(metres / NEAREST_M) / Math.log(SPAN);
        return Math.round(FARTHEST_STEP * Math.max(0, Math.min(1, share)));
    }
}
