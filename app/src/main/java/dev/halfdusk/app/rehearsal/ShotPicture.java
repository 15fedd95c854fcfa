package dev.halfdusk.app.rehearsal;

import dev.halfdusk.app.places.Place;
import dev.halfdusk.core.eclipse.LocalSolarEclipse;
import dev.halfdusk.core.eclipse.Role;
import dev.halfdusk.core.eclipse.Script;
import dev.halfdusk.core.eclipse.SunDrift;
import dev.halfdusk.core.exposure.Setup;
import dev.halfdusk.core.frame.Photograph;
import dev.halfdusk.core.frame.Shot;
import dev.halfdusk.core.frame.Window;
import dev.halfdusk.core.ground.Mark;
import dev.halfdusk.core.optics.Optics;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.sequence.Front;
import dev.halfdusk.core.sequence.Program;
import java.time.Instant;
import java.util.List;

/** What a shot of a rehearsal shows, as it opened: filter on or off, and aimed as the camera was last centred. */
final class ShotPicture {

    static final int WIDTH = 480;
    static final int HEIGHT = 320;
    private static final double DAYLIGHT = 5500;

    /** How much of the sky is looked at, degrees across. */
    private static final double CLOSE_DEG = 1.6;

    private static final double CORONA_DEG = 3.6;

    private ShotPicture() {}

    /** Red, green and blue. */
    static int[] of(EclipsePlan plan, Scripts.Worked worked, Program.Shot shot, Instant opened, List<Mark> marks) {
        PlanCamera c = worked.camera();
        Place place = plan.place();
        Rig rig = shot.front() == Front.FILTER ? c.rig().rig() : c.rig().rig().withoutFilters();
        Setup aimed =
                c.setup(place, rig, centred(plan.here(), worked, place, opened)).at(opened);
        Photograph taken = Photograph.take(
                place.scene(aimed, marks), Shot.of(aimed, shot.settings(), DAYLIGHT), window(c, aimed), shot.number());
        return taken.rgb();
    }

    private static Window window(PlanCamera c, Setup aimed) {
        Optics optics = aimed.optics();
        double degrees = c.role() == Role.CORONA ? CORONA_DEG : CLOSE_DEG;
        boolean whole = c.role() == Role.LAND;
        double pixels = whole ? optics.sensor().pixelsAcross() : degrees * 3600 / optics.plateScaleArcsec();
        return Window.middle(optics.sensor(), pixels, WIDTH, HEIGHT);
    }

    private static boolean rigTracks(PlanCamera c) {
        return c.rig().rig().support().tracks();
    }

    /** A tracker keeps it centred; else it stands as it was last aimed. */
    private static Instant centred(LocalSolarEclipse here, Scripts.Worked worked, Place place, Instant opened) {
        PlanCamera c = worked.camera();
        SunDrift drift = SunDrift.of(c.setup(place, c.rig().rig(), here.max().when()));
        List<Script.Placed> placed = worked.script().placed(here);
        if (rigTracks(c) || !drift.leaves() || c.role() == Role.LAND || placed.isEmpty()) {
            return opened;
        }
        List<Integer> after = drift.centreAfter(worked.script(), here);
        Instant last = placed.get(0).begins();
        for (int i = 0; i + 1 < placed.size(); i++) {
            Instant next = placed.get(i + 1).begins();
            if (after.contains(placed.get(i).number()) && !next.isAfter(opened)) {
                last = next;
            }
        }
        return last.isAfter(opened) ? opened : last;
    }
}
