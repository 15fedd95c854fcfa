package dev.halfdusk.app.lighttable;

import dev.halfdusk.app.jobs.Job;
import dev.halfdusk.app.jobs.Jobs;
import dev.halfdusk.core.assembly.Averaging;
import dev.halfdusk.core.assembly.Progress;
import dev.halfdusk.core.assembly.TrailOptions;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** Frames put together in the background: begun, looked after, cancelled. */
@Component
public class Assemblies {

    private static final double PER_SECOND = 8;

    private final Assembly assembly;
    private final Frames frames;
    private final PictureFolders folders;
    private final PlannedTakes takes;
    private final Jobs jobs;

    Assemblies(Assembly assembly, Frames frames, PictureFolders folders, PlannedTakes takes, Jobs jobs) {
        this.takes = takes;
        this.assembly = assembly;
        this.frames = frames;
        this.folders = folders;
        this.jobs = jobs;
    }

    private record Token(String token) {}

    private record Done(Optional<AssembledPicture> picture, String wrong) {}

    /**
     * How far one has come.
     *
     * @param token of the job
     * @param done steps of all
     * @param picture id of what came of it; empty before
     * @param wrong why nothing came of it, or nothing
     */
    public record State(String token, int done, int steps, boolean finished, Optional<String> picture, String wrong) {}

    /** Why it is not even begun. */
    public static final class Refused extends RuntimeException {
        private static final long serialVersionUID = 1;

        Refused(String reason) {
            super(reason);
        }
    }

    /**
     * Frames by what they are for.
     *
     * @param in that the picture is made of
     * @param land whose land is taken for a blend; not counted among those
     * @param dark taken with the cap on; not counted among those
     */
    public record Roles(List<String> in, List<String> land, List<String> dark) {

        /** What is not sent is none. */
        public Roles {
            in = some(in);
            land = some(land);
            dark = some(dark);
        }

        private static List<String> some(List<String> given) {
            return given == null ? List.of() : List.copyOf(given);
        }
    }

    /**
     * Begins with frames of the light table.
     *
     * @param roles their ids
     * @param look whether with their reduced pictures, for a first look
     * @throws Refused with the reason
     */
    public State ofTable(Roles roles, boolean look, Wanted wanted) {
        List<String> in = roles.in.stream()
                .filter(i -> !roles.dark.contains(i) && (wanted.what() != Wanted.What.BLEND || !roles.land.contains(i)))
                .toList();
        return begin(
                new Chosen(table(in, look), ofBlend(wanted, table(roles.land, look)), table(roles.dark, look)), wanted);
    }

    private static List<Source> ofBlend(Wanted wanted, List<Source> land) {
        return wanted.what() == Wanted.What.BLEND ? land : List.of();
    }

    private List<Source> table(List<String> ids, boolean look) {
        return ids.stream().map(id -> source(id, look)).toList();
    }

    private Source source(String id, boolean look) {
        TakenFrame frame = frames.find(id).orElseThrow(() -> new Refused("A frame lies no longer on the table."));
        Path file = (look ? frames.reduced(id) : frames.original(id))
                .orElseThrow(() -> new Refused(frame.name()
                        + " lies there no longer at full size: lay it down again, or read it from a folder."));
        return new SourceFile(frame.name(), file, frame.reading().known());
    }

    /**
     * Begins with all frames of a folder below the allowed one.
     *
     * @param roles names of the files of land and of the dark ones; none in it for all others
     * @throws Refused with the reason
     */
    public State ofFolder(String folder, Roles roles, Wanted wanted) {
        List<Source> all =
                folders.frames(folder).stream().<Source>map(SourceFile::of).toList();
        Stream.concat(roles.land.stream(), roles.dark.stream())
                .filter(n -> all.stream().noneMatch(s -> s.name().equals(n)))
                .findFirst()
                .ifPresent(n -> {
                    throw new Refused(n + " is no frame of that folder.");
                });
        return begin(
                new Chosen(
                        all.stream()
                                .filter(s -> !roles.dark.contains(s.name())
                                        && (wanted.what() != Wanted.What.BLEND || !roles.land.contains(s.name()))
                                        && (roles.in.isEmpty() || roles.in.contains(s.name())))
                                .toList(),
                        ofBlend(wanted, named(all, roles.land)),
                        named(all, roles.dark)),
                wanted);
    }

    private static List<Source> named(List<Source> all, List<String> names) {
        return all.stream().filter(s -> names.contains(s.name())).toList();
    }

    private State begin(Chosen chosen, Wanted wanted) {
        assembly.against(chosen, wanted).ifPresent(why -> {
            throw new Refused(why);
        });
        return begin(assembly.steps(chosen, wanted), progress -> assembly.put(chosen, wanted, progress));
    }

    private interface Putting {
        AssembledPicture of(Progress progress) throws NotAFrame;
    }

    private State begin(int steps, Putting putting) {
        String token = UUID.randomUUID().toString();
        jobs.<Done>of(new Token(token), steps, job -> {
            try {
                return new Done(Optional.of(putting.of(progress(job))), "");
            } catch (NotAFrame e) {
                return new Done(Optional.empty(), e.getMessage());
            }
        });
        return state(token).orElseThrow();
    }

    private static Progress progress(Job<?> job) {
        return new Progress() {
            @Override
            public void step() {
                job.step();
            }

            @Override
            public void look() {
                job.look();
            }
        };
    }

    /**
     * Of a made-up series of the nearest take that fits.
     *
     * @throws Refused where there is none
     */
    public State example(Wanted.What what) {
        List<PlannedTake> near = takes.near();
        PlannedTake take = near.stream()
                .filter(t -> MadeUp.best(what, t))
                .findFirst()
                .or(() -> near.stream().filter(t -> MadeUp.fits(what, t)).findFirst())
                .orElseThrow(() -> new Refused("There is no take to make such frames of."));
        MadeUp.Night night = MadeUp.night(what);
        return begin(
                new Chosen(SourceMadeUp.all(night.frames(), take), SourceMadeUp.all(night.land(), take), List.of()),
                new Wanted(
                        what,
                        TrailOptions.PLAIN.fill().clean(),
                        Averaging.CLIPPED,
                        true,
                        Wanted.PER_SECOND.nearest(PER_SECOND)));
    }

    public Optional<State> state(String token) {
        return jobs.find(new Token(token)).map(job -> {
            boolean finished = job.finished(); // asked once: it may be at any moment
            Done done = finished ? (Done) job.result().orElseThrow() : new Done(Optional.empty(), "");
            return new State(
                    token, job.done(), job.steps(), finished, done.picture.map(AssembledPicture::id), done.wrong);
        });
    }

    /** Nothing of it is kept. */
    public void cancel(String token) {
        jobs.cancel(new Token(token));
    }
}
