package dev.halfdusk.app.log;

import dev.halfdusk.app.lighttable.PictureFolders;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.ShapeForm;
import dev.halfdusk.app.web.StaleForm;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.log.FilmFrame;
import dev.halfdusk.core.log.Said;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.weather.WeatherHour;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** The page of a night, with its forms as they stand or as they were typed. */
@Component
class NightPage {

    private static final double NEAR_M = 300;

    /** In the model: all frames are to be shown. */
    static final String ALL = "allFrames";

    /** Of each take; more are behind a link. */
    private static final int SHOWN = 24;

    private final Entries entries;
    private final Observations observations;
    private final FilmRolls film;
    private final Planned planned;
    private final Places places;
    private final PictureFolders folders;

    NightPage(
            Entries entries,
            Observations observations,
            FilmRolls film,
            Planned planned,
            Places places,
            PictureFolders folders) {
        this.entries = entries;
        this.observations = observations;
        this.film = film;
        this.planned = planned;
        this.places = places;
        this.folders = folders;
    }

    /** @param stops by which it was given more than metered, in words */
    record FilmRow(long id, FilmFrame frame, String stops) {}

    /** Where one stood, and how far that is from the place. */
    record StayRow(EntryView.Mark at, String words) {}

    String show(Entry e, Model model) {
        return show(e, StaleForm.mark(TellForm.fields(e), TellForm.names()), new Form(), model);
    }

    /** @param found what somebody found out, as it was typed */
    String show(Entry e, Form form, Form found, Model model) {
        List<EntryTake> takes = entries.takes(e.id());
        Planned.Now stands = planned.now();
        List<EntryFrame> frames = entries.frames(e.id());
        int most = model.containsAttribute(ALL) ? Integer.MAX_VALUE : SHOWN;
        model.addAttribute("card", card(takes, frames, stands));
        model.addAttribute("view", EntryView.of(e, takes, frames, seen(e, stands), most));
        model.addAttribute("form", form.allows("celsius", WeatherHour.TEMPERATURE));
        model.addAttribute("found", found);
        model.addAttribute("skies", TellForm.SKIES);
        model.addAttribute("says", Said.values());
        model.addAttribute("finds", TellForm.found(takes, e, stands));
        model.addAttribute("folders", folders.all());
        List<FilmRow> rows = film.of(e.id()).stream().map(NightPage::row).toList();
        model.addAttribute("film", rows);
        if (!model.containsAttribute("filmForm")) {
            model.addAttribute("filmForm", next(rows));
        }
        model.addAttribute("filmFields", ShapeForm.views(FilmFrame.SHAPE));
        model.addAttribute("stays", stays(e));
        return "log/night";
    }

    /** "24 frames, about 0.9 GB of raw files", as far as their bodies are known. */
    private static String card(List<EntryTake> takes, List<EntryFrame> frames, Planned.Now stands) {
        Map<Long, Double> megabytes = new HashMap<>();
        takes.forEach(t -> t.kit()
                .body()
                .map(stands.bodies()::get)
                .ifPresent(b -> megabytes.put(t.id(), b.camera().files().rawMb())));
        double all = frames.stream()
                .flatMap(f -> f.take().map(megabytes::get).stream())
                .mapToDouble(Double::doubleValue)
                .sum();
        return frames.isEmpty() || all == 0
                ? ""
                : Numbers.text("%d frames, about %.1f GB of raw files.", frames.size(), all / 1000);
    }

    private List<EntryView.Seen> seen(Entry e, Planned.Now stands) {
        return observations.of(e.id()).stream()
                .map(n -> new EntryView.Seen(
                        n.id(),
                        n.seen().what().words(),
                        stands.name(n.seen().what(), n.seen().whose()).orElse("gone since"),
                        n.seen().what().words(n.seen().value()),
                        n.seen().how(),
                        n.seen().counts(),
                        n.byHand()))
                .toList();
    }

    private static FilmRow row(FilmRolls.Stored s) {
        return new FilmRow(
                s.id(),
                s.frame(),
                s.frame().moreThanMetered().isPresent()
                        ? Numbers.text("%+.1f", s.frame().moreThanMetered().getAsDouble())
                        : "");
    }

    /** The next on the roll, exposed as the last. */
    private static Form next(List<FilmRow> rows) {
        if (rows.isEmpty()) {
            return ShapeForm.start(new Form(), FilmFrame.SHAPE);
        }
        FilmFrame last = rows.get(rows.size() - 1).frame;
        Form form = ShapeForm.fill(new Form(), FilmFrame.SHAPE, last);
        return form.put("number", Math.min(99, last.number() + 1))
                .put("lab", "")
                .put("kept", "");
    }

    private List<StayRow> stays(Entry e) {
        Optional<Place> place = e.where().place().flatMap(places::find);
        return film.stays(e.id()).stream()
                .flatMap(s -> s.when().and(e.span()).stream().map(when -> {
                    String clocks = Words.clock(s.when().from(), e.where().zone()) + " to "
                            + Words.clock(s.when().to(), e.where().zone());
                    String away = place.map(p -> away(s.metresFrom(
                                    p.site().latitudeDeg(), p.site().longitudeDeg())))
                            .map(w -> ", " + w + " " + e.where().name())
                            .orElse("");
                    return new StayRow(
                            EntryView.mark("", clocks, e, when),
                            clocks + away + Numbers.text(" (%.5f, %.5f)", s.latitudeDeg(), s.longitudeDeg()));
                }))
                .toList();
    }

    private static String away(double metres) {
        return metres < NEAR_M
                ? "at"
                : metres < 10_000 ? Numbers.text("%.0f m from", metres) : Numbers.text("%.0f km from", metres / 1000);
    }
}
