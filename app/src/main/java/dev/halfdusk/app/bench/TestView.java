package dev.halfdusk.app.bench;

import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.exposure.Advice;
import dev.halfdusk.core.exposure.NextChange;
import dev.halfdusk.core.exposure.Proposal;
import dev.halfdusk.core.measure.Range;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** The bench's fourth part: what to change after a test frame, and advice where no number decides. */
public record TestView(String change, String stops, String cost, List<Advice.Item> advice) {

    /** An entry of a list. */
    public record Option(String id, String name) {}

    static final List<Option> SEEN = Arrays.stream(NextChange.Seen.values())
            .map(s -> new Option(s.name(), s.words()))
            .toList();
    static final List<Option> SUBJECTS = Arrays.stream(Advice.Subject.values())
            .map(s -> new Option(s.name(), s.words()))
            .toList();

    static void fill(Form form, Asked asked, Proposal p) {
        form.putIfMissing("seen", NextChange.Seen.TOO_DARK.name())
                .putIfMissing("subject", Advice.Subject.MILKY_WAY.name())
                .putIfMissing("shotSeconds", Words.trimmed(Math.round(p.seconds() * 100) / 100.0))
                .putIfMissing("shotIso", p.isos().get(0).iso());
    }

    static Optional<TestView> of(Asked asked, Proposal p, Form form) {
        OptionalDouble seconds = form.number("shotSeconds", Range.SHUTTER);
        OptionalDouble iso = form.number("shotIso", Range.ISO);
        Optional<NextChange.Seen> seen = Arrays.stream(NextChange.Seen.values())
                .filter(s -> s.name().equals(form.value("seen")))
                .findFirst();
        Optional<Advice.Subject> subject = Arrays.stream(Advice.Subject.values())
                .filter(s -> s.name().equals(form.value("subject")))
                .findFirst();
        if (seen.isEmpty()) {
            form.reject("seen", "Choose what the frame showed.");
        }
        if (subject.isEmpty()) {
            form.reject("subject", "Choose what you photograph.");
        }
        if (form.hasErrors()) {
            return Optional.empty();
        }
        NextChange change = NextChange.after(
                seen.orElseThrow(),
                new NextChange.State(
                        asked.rig().body().dial(),
                        seconds.getAsDouble(),
                        asked.aperture(),
                        iso.getAsDouble(),
                        p.limitSeconds(),
                        asked.rig().apertures(asked.onLensMm()).min(),
                        asked.rig().body().isoSteps(),
                        asked.rig().support().tracks()));
        String stops = change.stops() == 0
                ? "as bright as before"
                : Words.number(Math.abs(change.stops()), 1) + " stops " + (change.stops() > 0 ? "brighter" : "darker");
        return Optional.of(new TestView(
                change.what(),
                stops,
                change.cost(),
                Advice.of(
                        subject.orElseThrow(),
                        asked.rig().body().modified(),
                        asked.rig().support().kind(),
                        asked.rig().focalMm(asked.onLensMm()))));
    }
}
