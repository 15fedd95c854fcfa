package dev.halfdusk.core.eclipse;

import dev.halfdusk.core.measure.Instants;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Something that people do or hear at an instant of an eclipse.
 *
 * @param words as they are read and spoken
 */
public record Cue(Instant when, Kind kind, String words) {

    /** What for. */
    public enum Kind {
        CLOCKS,
        BATTERIES,
        FILTER_ON,
        FILTER_OFF,
        CONTACT,
        LOOK,
        /** Something that runs on its own is started or stopped. */
        RECORDING
    }

    /** Batteries are changed so long before totality, even where they read full. */
    private static final double BATTERIES_BEFORE = 25 * 60;

    private static final double CLOCKS_BEFORE = 30 * 60;
    private static final double FILTERS_BEFORE = 5 * 60;
    private static final double WARNING = 10;

    /** Nobody is asked to look who could not for so long, seconds. */
    private static final double LOOK = 2;

    /** A recording is started so long before totality, or before the maximum, and stopped as long after. */
    private static final double RECORDING_BEFORE = 180;

    /** The same with reminders for cameras that run on their own. */
    public static List<Cue> of(LocalSolarEclipse here, FilterWindow.Margins margins, List<String> recording) {
        List<Cue> cues = new ArrayList<>(of(here, margins));
        Instant from = here.contact(Anchor.C2).orElse(here.max()).when();
        Instant to = here.contact(Anchor.C3).orElse(here.max()).when();
        for (String camera : recording) {
            cues.add(at(
                    from,
                    -RECORDING_BEFORE,
                    Kind.RECORDING,
                    camera + ": start the recording, its own filter stays on."));
            cues.add(at(to, RECORDING_BEFORE, Kind.RECORDING, camera + ": stop the recording."));
        }
        cues.sort(Comparator.comparing(Cue::when));
        return List.copyOf(cues);
    }

    /** In order; there is one to take filters off only where {@link FilterWindow} allows it. */
    public static List<Cue> of(LocalSolarEclipse here, FilterWindow.Margins margins) {
        List<Cue> cues = new ArrayList<>();
        Optional<Instant> c1 = here.contact(Anchor.C1).map(LocalSolarEclipse.Contact::when);
        Instant max = here.max().when();
        Instant c2 =
                here.contact(Anchor.C2).map(LocalSolarEclipse.Contact::when).orElse(max);
        c1.ifPresent(t -> {
            cues.add(at(t, -CLOCKS_BEFORE, Kind.CLOCKS, "Check the clocks of computers and cameras against UTC."));
            cues.add(at(t, -FILTERS_BEFORE, Kind.FILTER_ON, "Filters on. Eclipse glasses on."));
            cues.add(at(t, 0, Kind.CONTACT, "First contact."));
        });
        cues.add(at(c2, -BATTERIES_BEFORE, Kind.BATTERIES, "Change the batteries, even those that read full."));
        Optional<FilterWindow> window = FilterWindow.of(here, margins);
        if (window.isPresent()) {
            Instant off = window.get().off().from();
            Instant on = window.get().off().to();
            cues.add(at(c2, -60, Kind.CONTACT, "One minute to totality. Filters stay on."));
            cues.add(at(off, 0, Kind.FILTER_OFF, "Filters off."));
            cues.add(
                    window.get().holds(max, LOOK)
                            ? at(max, 0, Kind.LOOK, "Maximum. Look at it.")
                            : at(max, 0, Kind.CONTACT, "Maximum. Filters are on."));
            if (Instants.seconds(off, on) > 2 * WARNING) {
                cues.add(at(on, -WARNING, Kind.CONTACT, "Filters on in ten seconds."));
            }
            cues.add(at(on, 0, Kind.FILTER_ON, "Filters on. Eclipse glasses on."));
        } else {
            cues.add(at(max, 0, Kind.CONTACT, "Maximum. Filters stay on."));
        }
        here.contact(Anchor.C4)
                .ifPresent(c -> cues.add(at(c.when(), 0, Kind.CONTACT, "Fourth contact. Back up the cards.")));
        cues.sort(Comparator.comparing(Cue::when));
        return List.copyOf(cues);
    }

    private static Cue at(Instant t, double seconds, Kind kind, String words) {
        return new Cue(Instants.after(t, seconds), kind, words);
    }
}
