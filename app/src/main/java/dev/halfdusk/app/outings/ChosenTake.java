package dev.halfdusk.app.outings;

import dev.halfdusk.app.pictures.FramePicture;
import dev.halfdusk.app.setup.ProposalView;
import dev.halfdusk.app.setup.SetupRequest;
import dev.halfdusk.app.setup.TakePage;
import dev.halfdusk.app.web.Choice;
import dev.halfdusk.core.exposure.Proposal;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.fireworks.Display;
import dev.halfdusk.core.fireworks.FiringPoint;
import dev.halfdusk.core.frame.Clouds;
import dev.halfdusk.core.frame.Scene;
import dev.halfdusk.core.frame.TrailFrames;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.Sight;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Depth;
import dev.halfdusk.core.outing.RunSheet;
import dev.halfdusk.core.outing.Slot;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.take.Answer;
import dev.halfdusk.core.take.Decision;
import dev.halfdusk.core.take.Subject;
import dev.halfdusk.core.take.Take;
import dev.halfdusk.core.weather.WeatherHour;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;

/**
 * The take that is looked at, at a minute of the night.
 *
 * @param asked the same question of exposure as on every other page
 * @param picture drawing of its frame; null where the photograph is shown
 * @param query of the photograph's address
 * @param reasons for the settings of its first frame
 * @param turns of the camera from frame to frame, in words
 * @param decides whether its photographer can decide on its settings, and has
 * @param page address of its subject's own page, opened with its numbers; null where it has none
 * @param stars whether its settings are those that the proposal for stars gives
 */
record ChosenTake(
        long id,
        int number,
        String name,
        String subject,
        String from,
        String to,
        String seconds,
        String aperture,
        String iso,
        List<String> steps,
        SetupRequest asked,
        ProposalView proposal,
        boolean stars,
        FramePicture picture,
        String query,
        Choice page,
        List<String> risks,
        List<Subject.Parameter> parameters,
        List<ProposalView.ReasonRow> reasons,
        List<String> turns,
        boolean decides,
        boolean decided,
        String test) {

    static ChosenTake of(
            OutingPlanner.Arranged a, OutingPlanner.Planned t, int number, Instant minute, boolean photograph) {
        Take take = t.take();
        Night night = a.night();
        CameraBody body = take.camera().rig().body();
        Optional<Slot> slot = a.slot(t);
        boolean layered = take.subject().layered(); // as a whole, from its first frame on
        Instant when = layered ? slot.map(s -> s.runs().from()).orElse(minute) : minute;
        Program program =
                t.plan().program().apply(slot.map(s -> s.runs().from()).orElse(when));
        Program.Step step = step(program, when);
        Setup setup = take.setup(t.plan().c(), when);
        SetupRequest asked = new SetupRequest(
                t.stored().rig(), a.place(t), t.plan().c().night(), setup, Optional.empty(), OptionalDouble.empty());
        Proposal proposal = setup.proposal();
        Optional<TrailFrames> trails = trails(take, step);
        Answer answer = t.plan().answer(slot.map(s -> s.runs().from()).orElse(when));
        return new ChosenTake(
                t.id(),
                number,
                take.name(),
                take.subject().kind().words(),
                slot.map(s -> night.clock(s.runs().from())).orElse(""),
                slot.map(s -> night.clock(s.runs().to())).orElse(""),
                body.label(step.settings().seconds()),
                Numbers.trimmed(step.settings().aperture(), 1),
                Numbers.plain(step.settings().iso()),
                steps(program, night, body),
                asked,
                ProposalView.of(proposal),
                step.settings().equals(proposal.settings()),
                photograph ? null : picture(a, t, asked, trails, step.settings().seconds()),
                query(asked, step, trails, take.subject()),
                TakePage.of(
                                followed(take, setup),
                                t.plan().c().demand(),
                                t.stored().rig().id(),
                                a.place(t),
                                night.date(),
                                slot.map(s -> s.runs().from()).orElse(when))
                        .orElse(null),
                t.plan().risks(),
                take.subject().kind().parameters(),
                answer.reasons().stream().map(ProposalView::reason).toList(),
                IntStream.range(0, answer.turns().size())
                        .mapToObj(i ->
                                SheetWords.turn(answer.turns(), i, t.plan().c().declinationDeg()))
                        .toList(),
                take.subject().decides(),
                !take.decision().equals(Decision.NONE),
                answer.test()
                        .map(f -> f.click().label() + " s at ISO "
                                + Numbers.plain(f.settings().iso()))
                        .orElse(""));
    }

    /** A page looks at the core where nobody aims it: what comes for another sight is told where that stands. */
    private static Take followed(Take take, Setup setup) {
        boolean core = take.wish().asked().sight().equals(Sight.CORE);
        return core || take.framed().aim().isPresent()
                ? take
                : take.aimed(setup.pointing().axis());
    }

    /** The frames of a step that are laid over each other. */
    static Optional<TrailFrames> trails(Take take, Program.Step step) {
        return take.subject().layered() && step.frames() > 1
                ? Optional.of(
                        new TrailFrames(Math.min(step.frames(), (int) TrailFrames.FRAMES.max()), step.pauseSeconds()))
                : Optional.empty();
    }

    /** What the camera does at an instant: its step then, else the first of light. */
    static Program.Step step(Program program, Instant when) {
        return program.steps().stream()
                .filter(s -> !s.dark() && !when.isBefore(s.begins()) && when.isBefore(s.ends()))
                .findFirst()
                .orElse(program.steps().get(0));
    }

    /** Those that are alike in one line, and the fast ones of a script. */
    private static List<String> steps(Program program, Night night, CameraBody body) {
        List<String> lines = new ArrayList<>();
        List<Program.Step> steps = program.steps();
        for (int i = 0; i < steps.size(); i++) {
            Program.Step s = steps.get(i);
            int fast = RunSheet.fast(steps, i);
            if (fast > i) {
                int frames = steps.subList(i, fast + 1).stream()
                        .mapToInt(Program.Step::frames)
                        .sum();
                lines.add(night.clock(s.begins()) + "  " + frames + " frames by script" + SheetWords.front(program, s));
                i = fast;
                continue;
            }
            String words = words(program, s, body);
            int alike = i;
            while (alike + 1 < steps.size()
                    && words(program, steps.get(alike + 1), body).equals(words)) {
                alike++;
            }
            lines.add(night.clock(s.begins())
                    + (alike == i
                            ? "  "
                            : " to " + night.clock(steps.get(alike).begins()) + "  " + (alike + 1 - i) + " times ")
                    + words);
            i = alike;
        }
        return lines;
    }

    private static String words(Program program, Program.Step s, CameraBody body) {
        boolean same = s.settings().equals(program.steps().get(0).settings());
        return (same ? s.frames() + (s.frames() == 1 ? " frame" : " frames") : s.words(body))
                + (s.frames() > 1 ? ", pause " + Numbers.trimmed(s.pauseSeconds(), 1) + " s" : "")
                + SheetWords.front(program, s);
    }

    private static FramePicture picture(
            OutingPlanner.Arranged a,
            OutingPlanner.Planned t,
            SetupRequest asked,
            Optional<TrailFrames> trails,
            double seconds) {
        Optional<WeatherHour> hour = t.plan().c().weather().apply(asked.when());
        Scene scene = a.place(t)
                .scene(asked.setup(), t.plan().c().marks())
                .with(hour.map(h -> Clouds.of(h, Clouds.WEST_SOUTH_WEST)).orElse(Clouds.NONE));
        double sharp = asked.setup()
                .depth(Depth.pixelCircleMm(asked.optics().sensor()))
                .nearAtStarsM();
        return FramePicture.of(
                scene,
                asked.setup().framing(),
                new FramePicture.Options(false, false, Optional.empty(), trails, seconds, sharp));
    }

    /** The address of its photograph, as a query. */
    static String query(SetupRequest asked, Program.Step step, Optional<TrailFrames> trails, Subject subject) {
        return asked.address() + "&shutter=" + Numbers.plain(step.settings().seconds()) + "&iso="
                + Numbers.plain(step.settings().iso()) + "&clouds=forecast"
                + trails.map(k -> "&frames=" + k.frames() + "&pause=" + Numbers.plain(k.pauseSeconds()))
                        .orElse("")
                + subject.display().map(ChosenTake::display).orElse("");
    }

    private static String display(Display d) {
        FiringPoint middle = d.middle();
        return "&distance=" + Numbers.plain(middle.distanceM()) + "&bearing=" + Numbers.plain(middle.bearingDeg())
                + "&height=" + Numbers.plain(middle.heightM()) + "&shell="
                + Numbers.plain(d.shell().mm()) + "&front="
                + Numbers.plain(Math.rint(d.frontM()));
    }
}
