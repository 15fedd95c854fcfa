package dev.halfdusk.app.rehearsal;

import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.setup.SetupReader;
import dev.halfdusk.app.web.Choice;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.core.camera.Camera.Mode;
import dev.halfdusk.core.camera.Rehearsal;
import dev.halfdusk.core.eclipse.FilterWindow;
import dev.halfdusk.core.eclipse.Role;
import dev.halfdusk.core.eclipse.ScriptRequest;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Orientation;
import dev.halfdusk.core.optics.Rig;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import org.springframework.stereotype.Component;

/** Between a camera of a plan and its fields. */
@Component
class CameraForm {

    static final List<Choice> ROLES = Choice.of(Role.class, Role::key, Role::words);
    static final List<Choice> FORMATS = Choice.of(FileFormat.class, FileFormat::key, FileFormat::words);
    static final List<Choice> MODES = Choice.of(Mode.class, CameraForm::key, CameraForm::key);

    /** What the fields of a camera hold. */
    static final List<String> NAMES = List.of(
            "name",
            "rig",
            "role",
            "focal",
            "aperture",
            "iso",
            "every",
            "steps",
            "burst",
            "pause",
            "partial",
            "total",
            "upright",
            "clock",
            "mode",
            "autoIso",
            "noise",
            "azimuth",
            "altitude");

    private static final double USUAL_APERTURE = 8;

    private final Kit kit;

    CameraForm(Kit kit) {
        this.kit = kit;
    }

    private static String key(Mode mode) {
        return mode.name().toLowerCase(Locale.ROOT);
    }

    static Form fields(PlanCamera c) {
        Form form = said(new Form())
                .put("name", c.name())
                .put("rig", c.rig().id())
                .put("role", c.role().key())
                .put("focal", c.focalMm())
                .put("aperture", c.aperture())
                .put("iso", c.asked().iso())
                .put("every", c.asked().everySeconds())
                .put("steps", c.asked().equalSteps())
                .put("burst", c.asked().burstSeconds())
                .put("pause", c.asked().pauseSeconds())
                .put("partial", c.asked().partial().key())
                .put("total", c.asked().total().key())
                .put("upright", c.held() == Orientation.PORTRAIT ? "on" : "")
                .put("clock", c.clockAheadSeconds())
                .put("mode", key(c.mode()))
                .put("autoIso", c.autoIso() ? "on" : "")
                .put("noise", c.noiseReduction() ? "on" : "");
        c.aim().ifPresent(a -> SetupReader.fill(form, a));
        return form;
    }

    /** A camera as one begins with it. */
    PlanCamera usual(NamedRig named, Role role, FilterWindow.Margins margins) {
        Rig rig = named.rig();
        double focal = role == Role.LAND ? rig.lens().shortestMm() : rig.lens().longestMm();
        Range apertures = rig.apertures(focal);
        double wanted = role == Role.LAND ? apertures.min() * 2 : USUAL_APERTURE;
        ScriptRequest u = ScriptRequest.usual(role);
        return new PlanCamera(
                0,
                role.words(),
                named,
                focal,
                apertures.nearest(wanted),
                new ScriptRequest(
                        role,
                        u.everySeconds(),
                        0,
                        Math.max(u.iso(), rig.body().response().baseIso()),
                        u.partial(),
                        u.total(),
                        u.burstSeconds(),
                        u.pauseSeconds(),
                        margins),
                Optional.empty(),
                Orientation.LANDSCAPE,
                Math.max(
                        Rehearsal.Part.CLOCK.min(),
                        Math.min(Rehearsal.Part.CLOCK.max(), rig.body().clockOffsetSeconds())),
                Mode.MANUAL,
                false,
                false,
                Optional.empty());
    }

    /** As its rig can be set; empty where the form now holds complaints. */
    Optional<PlanCamera> read(Form form, PlanCamera before, FilterWindow.Margins margins) {
        return read(form, before, margins, true);
    }

    /** As it was asked for once, whatever has become of its rig since; empty where the form now holds complaints. */
    Optional<PlanCamera> asked(Form form, PlanCamera before, FilterWindow.Margins margins) {
        return read(form, before, margins, false);
    }

    private Optional<PlanCamera> read(
            Form form, PlanCamera before, FilterWindow.Margins margins, boolean asItCanBeSet) {
        OptionalLong rigId = form.id("rig");
        Optional<NamedRig> named = rigId.isPresent() ? kit.rig(rigId.getAsLong()) : Optional.empty();
        if (named.isEmpty()) {
            form.replaceError("rig", "Choose one of the list.");
            return Optional.empty();
        }
        Rig rig = named.get().rig();
        if (!named.get().id().equals(before.rig().id())) {
            form.moveInto("focal", rig.lens().focalLengths());
        }
        String name = form.text("name", "what you call it");
        Role role = form.oneOf("role", before.role()).orElse(before.role());
        OptionalDouble focal = form.number("focal", asItCanBeSet ? rig.lens().focalLengths() : Range.FOCAL_LENGTH);
        Range apertures = focal.isPresent() && asItCanBeSet ? rig.apertures(focal.getAsDouble()) : Range.APERTURE;
        if (!named.get().id().equals(before.rig().id())) {
            form.moveInto("aperture", apertures);
        }
        OptionalDouble aperture = form.number("aperture", apertures);
        OptionalDouble iso = form.number(
                "iso",
                asItCanBeSet
                        ? new Range(
                                "ISO",
                                rig.body().response().baseIso(),
                                rig.body().topIso(),
                                "")
                        : Range.ISO);
        OptionalDouble every = form.number("every", ScriptRequest.EVERY);
        OptionalLong steps = form.whole("steps", ScriptRequest.STEPS);
        OptionalDouble burst = form.number("burst", ScriptRequest.BURST);
        OptionalDouble pause = form.number("pause", ScriptRequest.PAUSE);
        Optional<FileFormat> partial = form.oneOf("partial", FileFormat.RAW_AND_JPEG);
        Optional<FileFormat> total = form.oneOf("total", FileFormat.RAW);
        OptionalDouble clock = form.number("clock", Rehearsal.Part.CLOCK);
        Optional<Mode> mode = form.oneOf("mode", Mode.MANUAL);
        Optional<Direction> aim = SetupReader.aim(form);
        if (form.hasErrors()) {
            return Optional.empty();
        }
        return Optional.of(new PlanCamera(
                before.id(),
                name,
                named.get(),
                focal.getAsDouble(),
                aperture.getAsDouble(),
                new ScriptRequest(
                        role,
                        every.getAsDouble(),
                        (int) steps.getAsLong(),
                        iso.getAsDouble(),
                        partial.orElseThrow(),
                        total.orElseThrow(),
                        burst.getAsDouble(),
                        pause.getAsDouble(),
                        margins),
                aim,
                form.has("upright") ? Orientation.PORTRAIT : Orientation.LANDSCAPE,
                clock.getAsDouble(),
                mode.orElseThrow(),
                form.has("autoIso"),
                form.has("noise"),
                before.byHand()));
    }

    /** What its fields allow, where they are shown and not read. */
    static Form said(Form form) {
        return form.allows("every", ScriptRequest.EVERY)
                .allows("burst", ScriptRequest.BURST)
                .allows("pause", ScriptRequest.PAUSE)
                .allows("clock", Rehearsal.Part.CLOCK);
    }
}
