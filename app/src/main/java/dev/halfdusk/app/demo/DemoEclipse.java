package dev.halfdusk.app.demo;

import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedBody;
import dev.halfdusk.app.kit.NamedGear;
import dev.halfdusk.app.kit.NamedLens;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.rehearsal.EclipsePlans;
import dev.halfdusk.app.rehearsal.PlanCamera;
import dev.halfdusk.core.camera.Camera.Mode;
import dev.halfdusk.core.camera.EclipseCamera;
import dev.halfdusk.core.eclipse.Role;
import dev.halfdusk.core.eclipse.ScriptRequest;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Framed;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.LensSetting;
import dev.halfdusk.core.optics.Support;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** The trip of the demo: three cameras at the total eclipse of the sun of 2 August 2027, another place kept beside. */
@Component
class DemoEclipse {

    private static final LocalDate DATE = LocalDate.of(2027, 8, 2);

    /** Where the sun stands in totality, so that it is high in the land's frame. */
    private static final Direction LAND = new Direction(96, 24);

    private static final String TRACKER = "Tracker at the sun's rate";
    private static final String OLD_CARD = "Card 128 GB, old";

    private final EclipsePlans plans;
    private final Kit kit;

    DemoEclipse(EclipsePlans plans, Kit kit) {
        this.plans = plans;
        this.kit = kit;
    }

    void plan(Place place, Place other) {
        kit.save(new NamedGear(null, TRACKER, 1300, new Support(Support.Kind.SOLAR, 3), "for the day"));
        kit.save(new NamedGear(null, OLD_CARD, 5, new Gear.Card(128, 45), "slow"));
        NamedRig corona = rig(
                "Sun, corona", "24 MP", "100\u2013400", "Solar filter, density 5", "Battery", "Card 64 GB", TRACKER);
        NamedRig close = rig(
                "Sun, close-up",
                "26 MP",
                "100\u2013400",
                "Solar filter, density 5",
                "Teleconverter 1.4\u00d7",
                "Battery",
                OLD_CARD,
                TRACKER);
        NamedRig land = rig("Sun, land", "33 MP", "20 mm", "Tripod", "Battery", "Card 64 GB");
        long plan = plans.add(place.id(), DATE);
        plans.keep(plan, other.id(), 27);
        plans.addCamera(plan, camera("Corona", corona, 400, 8, Role.CORONA, FileFormat.RAW));
        plans.addCamera(plan, camera("Close-up", close, 400, 11, Role.CLOSE_UP, FileFormat.RAW_AND_JPEG));
        plans.addCamera(plan, camera("Land and people", land, 20, 4, Role.LAND, FileFormat.RAW));
        plans.cloudOdds(place.id(), DATE, Optional.of(18.0));
        plans.cloudOdds(other.id(), DATE, Optional.of(12.0));
    }

    private static PlanCamera camera(
            String name, NamedRig rig, double focal, double aperture, Role role, FileFormat total) {
        return new PlanCamera(
                0,
                name,
                rig,
                new EclipseCamera(
                        new Framed(new LensSetting(focal, aperture))
                                .aimed(role == Role.LAND ? Optional.of(LAND) : Optional.empty()),
                        ScriptRequest.usual(role).written(FileFormat.RAW_AND_JPEG, total),
                        new EclipseCamera.Stands(role == Role.CORONA ? 2 : 0, Mode.MANUAL, false, false)),
                Optional.empty());
    }

    private NamedRig rig(String name, String body, String lens, String... gear) {
        NamedBody with = kit.bodies().stream()
                .filter(b -> b.name().contains(body))
                .findFirst()
                .orElseThrow();
        NamedLens through = kit.lenses().stream()
                .filter(l -> l.name().startsWith(lens))
                .findFirst()
                .orElseThrow();
        List<NamedGear> all = new ArrayList<>();
        for (String g : gear) {
            all.add(kit.gear().stream()
                    .filter(k -> k.name().equals(g))
                    .findFirst()
                    .orElseThrow());
        }
        long id = kit.save(new NamedRig(null, name, with, through, all));
        return kit.rig(id).orElseThrow();
    }
}
