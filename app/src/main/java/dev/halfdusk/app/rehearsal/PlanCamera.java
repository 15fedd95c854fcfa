package dev.halfdusk.app.rehearsal;

import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.core.camera.Camera.Mode;
import dev.halfdusk.core.camera.EclipseCamera;
import dev.halfdusk.core.camera.Rehearsal;
import dev.halfdusk.core.eclipse.LocalSolarEclipse;
import dev.halfdusk.core.eclipse.Role;
import dev.halfdusk.core.eclipse.Script;
import dev.halfdusk.core.eclipse.ScriptCheck;
import dev.halfdusk.core.eclipse.ScriptRequest;
import dev.halfdusk.core.eclipse.Scripting;
import dev.halfdusk.core.exposure.Demand;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.LensSetting;
import dev.halfdusk.core.optics.Pointing;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.Moment;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * One camera of a plan. It holds what was asked of its lens; with a rig that has become another since, it is planned as near as
 * that can be set, and is not started before someone has said how it is to be.
 *
 * @param byHand the script, where someone changed it
 */
public record PlanCamera(long id, String name, NamedRig rig, EclipseCamera set, Optional<Script> byHand) {

    /** The middle of a frame a fifth of which is land. */
    private static final double LAND_SHARE = 0.3;

    private static final double MOST_LAND_DEG = 30;

    Optional<Gear.Card> card() {
        return rig.first(Gear.Card.class);
    }

    ScriptRequest asked() {
        return set.asked();
    }

    Role role() {
        return asked().role();
    }

    LensSetting lens() {
        return set.framed().lens();
    }

    /** As asked, or the nearest that its rig can be set to. */
    LensSetting setting() {
        return rig.rig().nearest(lens());
    }

    /** Aimed at an instant. */
    Setup setup(Place place, Rig with, Instant when) {
        LensSetting to = setting();
        Direction axis =
                set.framed().aim().orElseGet(() -> role() == Role.LAND ? land(place, when, to) : sun(place, when));
        return new Setup(
                with,
                to.onLensMm(),
                to.aperture(),
                new Pointing(axis, 0, set.framed().held()),
                place.standpoint(),
                when,
                Demand.USUAL);
    }

    /** Below the sun, with a fifth of the frame for the land; higher where that leaves the sun outside by little. */
    private Direction land(Place place, Instant when, LensSetting to) {
        double height = rig.rig().optics(to.onLensMm(), set.framed().held()).heightDeg();
        return new Direction(sun(place, when).azimuthDeg(), Math.min(MOST_LAND_DEG, LAND_SHARE * height));
    }

    private static Direction sun(Place place, Instant when) {
        Direction sun =
                Direction.of(Moment.at(when).local(Body.SUN, place.standpoint().observer()));
        return new Direction(sun.azimuthDeg(), Math.max(0, sun.altitudeDeg()));
    }

    /** What it does at a place: as written by hand, or made for it. */
    Scripting.Made made(LocalSolarEclipse here, Place place) {
        Scripting.Made fresh =
                Scripting.of(here, setup(place, rig.rig(), here.max().when()), card(), asked());
        return byHand.map(s -> new Scripting.Made(
                        s,
                        List.of("Changed by hand; its times are counted from the contacts of " + place.name() + "."),
                        0))
                .orElse(fresh);
    }

    ScriptCheck check(Script script, LocalSolarEclipse here, Place place) {
        return ScriptCheck.of(
                script,
                new ScriptCheck.Against(
                        here, setup(place, rig.rig(), here.max().when()), card(), asked().margins(), role()));
    }

    /** What keeps it from being started, beside its script. */
    List<String> refusals() {
        List<String> refused = new ArrayList<>();
        rig.leftOff().ifPresent(refused::add);
        if (!rig.rig().canBeSet(lens())) {
            refused.add("It asks " + lens().words() + " of " + rig.name() + ", which can be set to "
                    + setting().words() + " at the nearest: set it so, or choose another rig.");
        }
        if (set.stands().mode() != Mode.MANUAL) {
            refused.add("Its mode dial stands at " + set.stands().mode().words() + ": turn it to manual.");
        }
        if (set.stands().autoIso()) {
            refused.add("Automatic ISO is on: it would undo the script. Switch it off.");
        }
        if (set.stands().noiseReduction()) {
            refused.add("Noise reduction is on: it doubles each long exposure. Switch it off.");
        }
        return refused;
    }

    /** With another script by hand, or none. */
    PlanCamera scripted(Optional<Script> other) {
        return new PlanCamera(id, name, rig, set, other);
    }

    /** With every frame written in one format. */
    PlanCamera written(FileFormat format) {
        EclipseCamera other = set.asking(asked().written(format, format));
        return new PlanCamera(id, name, rig, other, byHand.map(s -> s.with(format)));
    }

    /** As it is rehearsed. */
    Rehearsal.Part part(Optional<Program> program, double celsius) {
        return new Rehearsal.Part(
                name,
                rig.rig(),
                program,
                set.stands().clockAheadSeconds(),
                setting().aperture(),
                rig.battery(),
                card(),
                celsius);
    }
}
