package dev.halfdusk.app.bench;

import dev.halfdusk.app.setup.AfterFrameView;
import dev.halfdusk.app.web.Choice;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.core.exposure.Advice;
import dev.halfdusk.core.exposure.Correction;
import dev.halfdusk.core.exposure.Correction.Dialled;
import dev.halfdusk.core.exposure.Proposal;
import dev.halfdusk.core.exposure.Setup;
import java.util.List;
import java.util.Optional;

/** The bench's fourth part: what to change after a test frame, and advice where no number decides. */
public record TestView(AfterFrameView after, List<Advice.Item> advice) {

    static final List<Choice> SUBJECTS = Choice.of(Advice.Subject.class, Enum::name, Advice.Subject::words);

    static void fill(Form form, Proposal p) {
        AfterFrameView.begin(
                form.putIfMissing("subject", Advice.Subject.MILKY_WAY.name()),
                p.settings(),
                p.setup().rig().body());
    }

    static Optional<TestView> of(Proposal p, Form form) {
        Optional<Advice.Subject> subject = form.choice("subject", Advice.Subject.class);
        if (subject.isEmpty()) {
            form.reject("subject", "Choose what you photograph.");
            return Optional.empty();
        }
        Setup setup = p.setup();
        Advice.Subject what = subject.get();
        return AfterFrameView.read(form, Correction.Limits.of(p), setup.optics(), order(what))
                .map(after -> new TestView(
                        after,
                        Advice.of(
                                what,
                                setup.rig().body().modified(),
                                setup.rig().support().kind(),
                                setup.optics().focalMm())));
    }

    private static List<Dialled> order(Advice.Subject subject) {
        return switch (subject) {
            case TRAILS -> List.of(Dialled.ISO, Dialled.APERTURE, Dialled.SHUTTER);
            case PORTRAIT -> List.of(Dialled.APERTURE, Dialled.ISO, Dialled.SHUTTER);
            case MOON, FOREGROUND -> List.of(Dialled.SHUTTER, Dialled.ISO);
            default -> Correction.STARS;
        };
    }
}
