package dev.halfdusk.app.bench;

import dev.halfdusk.app.web.Choice;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.exposure.Advice;
import dev.halfdusk.core.exposure.NextChange;
import dev.halfdusk.core.exposure.Proposal;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.Settings;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** The bench's fourth part: what to change after a test frame, and advice where no number decides. */
public record TestView(String change, String stops, String cost, List<Advice.Item> advice) {

    static final List<Choice> SEEN = Choice.of(NextChange.Seen.class, Enum::name, NextChange.Seen::words);
    static final List<Choice> SUBJECTS = Choice.of(Advice.Subject.class, Enum::name, Advice.Subject::words);

    static void fill(Form form, Proposal p) {
        form.putIfMissing("seen", NextChange.Seen.TOO_DARK.name())
                .putIfMissing("subject", Advice.Subject.MILKY_WAY.name())
                .putIfMissing("shotSeconds", Numbers.plain(p.settings().seconds(), 6))
                .putIfMissing("shotIso", (int) p.settings().iso());
    }

    static Optional<TestView> of(Proposal p, Form form) {
        OptionalDouble seconds = form.number("shotSeconds", Range.SHUTTER);
        OptionalDouble iso = form.number("shotIso", Range.ISO);
        Optional<NextChange.Seen> seen = form.choice("seen", NextChange.Seen.class);
        Optional<Advice.Subject> subject = form.choice("subject", Advice.Subject.class);
        if (seen.isEmpty()) {
            form.reject("seen", "Choose what the frame showed.");
        }
        if (subject.isEmpty()) {
            form.reject("subject", "Choose what you photograph.");
        }
        if (form.hasErrors()) {
            return Optional.empty();
        }
        Setup setup = p.setup();
        Settings shot = new Settings(seconds.getAsDouble(), setup.aperture(), iso.getAsDouble());
        NextChange change = NextChange.after(seen.orElseThrow(), shot, NextChange.Limits.of(p));
        String stops = change.stops() == 0 ? "as bright as before" : Words.stops(change.stops());
        return Optional.of(new TestView(
                change.what(),
                stops,
                change.cost(),
                Advice.of(
                        subject.orElseThrow(),
                        setup.rig().body().modified(),
                        setup.rig().support().kind(),
                        setup.optics().focalMm())));
    }
}
