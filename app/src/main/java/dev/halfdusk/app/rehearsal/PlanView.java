package dev.halfdusk.app.rehearsal;

import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.web.CautionWords;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.eclipse.FilterWindow;
import dev.halfdusk.core.eclipse.LocalSolarEclipse;
import dev.halfdusk.core.eclipse.SolarEclipse;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Interval;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** A plan as its pages show it. All times are those of its place. */
record PlanView(
        String title,
        String headline,
        String filter,
        String caution,
        List<ContactRow> contacts,
        List<CueRow> cues,
        Timeline timeline,
        List<CameraView> cameras,
        CameraView chosen) {

    /**
     * A contact here.
     *
     * @param elsewhere by how much it comes earlier or later at the other place; null without one
     */
    record ContactRow(String name, String local, String utc, String sun, boolean up, String elsewhere) {}

    /** @param kind for what it is drawn as */
    record CueRow(String at, String local, String utc, String words, String kind, long epochMs) {}

    static PlanView of(EclipsePlan plan, List<Scripts.Worked> worked, Optional<Long> chosen, boolean close) {
        LocalSolarEclipse here = plan.here();
        List<CameraView> cameras = worked.stream()
                .map(w -> CameraView.of(
                        plan, w, chosen.filter(id -> id == w.camera().id()).isPresent()))
                .toList();
        List<Timeline.Row> rows = worked.stream()
                .map(w -> new Timeline.Row(w.camera().name(), w.program(plan), List.of()))
                .toList();
        Interval span = Timeline.span(here, close);
        return new PlanView(
                title(plan, here),
                headline(here, plan.place().zone()),
                FilterWindow.words(here, plan.window()),
                CautionWords.SUN,
                contacts(plan, here),
                cues(plan, here),
                Timeline.of(here, plan.place(), plan.window(), rows, span, Optional.empty()),
                cameras,
                cameras.stream()
                        .filter(c -> chosen.filter(id -> id == c.id()).isPresent())
                        .findFirst()
                        .orElse(null));
    }

    static String title(EclipsePlan plan, LocalSolarEclipse here) {
        return Words.capital(here.type().words()) + " eclipse at "
                + plan.place().name();
    }

    static String headline(LocalSolarEclipse here, ZoneId zone) {
        LocalSolarEclipse.Contact max = here.max();
        return Words.day(LocalDate.ofInstant(max.when(), zone)) + " \u00b7 "
                + (here.inner().isZero()
                        ? Words.covered(here.obscuration()) + " of the sun covered"
                        : (here.type() == SolarEclipse.Type.TOTAL ? "totality " : "ring ")
                                + Words.seconds(here.inner()))
                + " \u00b7 sun " + max.sun().high() + " towards "
                + Words.number(max.sun().azimuthDeg(), 0) + "\u00b0 "
                + Angles.compass(max.sun().azimuthDeg()) + " \u00b7 times belong to this place only";
    }

    private static List<ContactRow> contacts(EclipsePlan plan, LocalSolarEclipse here) {
        Optional<LocalSolarEclipse> there = plan.other().flatMap(o -> EclipsePlan.seen(plan.date(), o));
        ZoneId zone = plan.place().zone();
        return here.contacts().stream()
                .map(c -> new ContactRow(
                        Countdown.name(c.name()),
                        Words.clockSeconds(c.when(), zone),
                        Words.clockSeconds(c.when(), ZoneOffset.UTC),
                        Words.number(c.sun().altitudeDeg(), 0) + "\u00b0 "
                                + Angles.compass(c.sun().azimuthDeg()),
                        c.up(),
                        plan.other().isEmpty()
                                ? null
                                : there.flatMap(t -> t.contact(c.name()))
                                        .map(t -> Words.clockSeconds(
                                                t.when(), plan.other().get().zone()))
                                        .orElse("not there")))
                .toList();
    }

    static List<CueRow> cues(EclipsePlan plan, LocalSolarEclipse here) {
        ZoneId zone = plan.place().zone();
        return plan.cues().stream()
                .map(c -> new CueRow(
                        Countdown.words(c.when(), here),
                        Words.clockSeconds(c.when(), zone),
                        Words.clockSeconds(c.when(), ZoneOffset.UTC),
                        c.words(),
                        c.kind().name().toLowerCase(Locale.ROOT).replace('_', '-'),
                        c.when().toEpochMilli()))
                .toList();
    }

    /** A place one may go to instead. */
    record Elsewhere(
            Place place,
            String type,
            String inner,
            String sun,
            String first,
            String forecast,
            String odds,
            boolean here,
            boolean other) {}
}
