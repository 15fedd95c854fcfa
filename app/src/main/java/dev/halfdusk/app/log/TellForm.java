package dev.halfdusk.app.log;

import dev.halfdusk.app.web.Choice;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.log.Learnable;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.weather.WeatherHour;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.OptionalLong;
import java.util.function.Function;

/** What is asked in the morning: nothing of it need be answered. */
final class TellForm {

    static final Range RATING = new Range("rating", 1, 5, "");

    static final List<Choice> SKIES = List.of(
            new Choice("", "not said"),
            new Choice("0", "clear"),
            new Choice("25", "some cloud"),
            new Choice("60", "cloudy with gaps"),
            new Choice("100", "overcast"));

    private TellForm() {}

    static List<String> names() {
        return List.of("rating", "good", "better", "celsius", "cloud");
    }

    static Form fields(Entry e) {
        Entry.Told t = e.told();
        Form form = new Form();
        form.put("rating", t.rating().isPresent() ? "" + t.rating().getAsInt() : "");
        form.put("good", t.good());
        form.put("better", t.better());
        form.put(
                "celsius", t.celsius().isPresent() ? Numbers.trimmed(t.celsius().getAsDouble(), 1) : "");
        form.put(
                "cloud",
                t.cloudPercent().isPresent() ? Numbers.trimmed(t.cloudPercent().getAsDouble(), 0) : "");
        return form;
    }

    /** Empty where a field has got a complaint. */
    static Optional<Entry.Told> read(Form form) {
        OptionalInt rating = OptionalInt.empty();
        if (form.has("rating")) {
            OptionalLong whole = form.whole("rating", RATING);
            rating = whole.isPresent() ? OptionalInt.of((int) whole.getAsLong()) : OptionalInt.empty();
        }
        OptionalDouble celsius =
                form.has("celsius") ? form.number("celsius", WeatherHour.TEMPERATURE) : OptionalDouble.empty();
        OptionalDouble cloud = form.has("cloud") ? form.number("cloud", WeatherHour.CLOUD) : OptionalDouble.empty();
        for (String field : List.of("good", "better")) {
            if (form.has(field)) {
                form.text(field, "some words");
            }
        }
        return form.hasErrors()
                ? Optional.empty()
                : Optional.of(new Entry.Told(
                        rating, form.value("good").strip(), form.value("better").strip(), celsius, cloud));
    }

    /** What somebody may have found out in a night, each for what was there. */
    static List<Choice> found(List<EntryTake> takes, Entry e, Planned.Now stands) {
        List<Choice> all = new ArrayList<>();
        for (Learnable what : Learnable.values()) {
            List<String> whose = switch (what.whose()) {
                case PLACE -> e.where().place().stream().map(String::valueOf).toList();
                case BODY -> ids(takes, t -> t.kit().body());
                case LENS -> ids(takes, t -> t.kit().lens());
                case BATTERY -> ids(takes, t -> t.kit().battery());
                case SUBJECT -> List.of();
                case ONESELF -> List.of("");
            };
            if (what.used()) {
                whose.forEach(w -> stands.name(what, w)
                        .ifPresent(name -> all.add(new Choice(
                                what.key() + "." + w,
                                Words.capital(what.words()) + (name.isEmpty() ? "" : ": " + name)))));
            }
        }
        return all;
    }

    private static List<String> ids(List<EntryTake> takes, Function<EntryTake, Optional<Long>> of) {
        return takes.stream()
                .flatMap(t -> of.apply(t).stream())
                .distinct()
                .map(String::valueOf)
                .toList();
    }
}
