package dev.halfdusk.app.lighttable;

import dev.halfdusk.app.jobs.Jobs;
import dev.halfdusk.core.lighttable.Motif;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.take.Trails;
import java.nio.file.Path;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** Frames put together in the background: begun, looked after, cancelled. */
@Component
public class Assemblies {

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
     * Begins with frames of the light table.
     *
     * @param look whether with their reduced pictures, for a first look
     * @throws Refused with the reason
     */
    public State ofTable(List<String> ids, boolean look, Wanted wanted) {
        List<Assembly.Source> sources = new ArrayList<>();
        for (String id : ids) {
            TakenFrame frame = frames.find(id).orElseThrow(() -> new Refused("A frame lies no longer on the table."));
            Path file = (look ? frames.reduced(id) : frames.original(id))
                    .orElseThrow(() -> new Refused(frame.name()
                            + " lies there no longer at full size: lay it down again, or read it from a folder."));
            sources.add(new Assembly.Source(
                    frame.name(),
                    file,
                    frame.reading().known().opened(),
                    frame.reading().known().settings().map(Settings::seconds).orElse(0.0)));
        }
        return begin(sources, wanted);
    }

    /**
     * Begins with all frames of a folder below the allowed one.
     *
     * @throws Refused with the reason
     */
    public State ofFolder(String folder, Wanted wanted) {
        List<Assembly.Source> sources = new ArrayList<>();
        for (Path file : folders.frames(folder)) {
            FileFacts facts = FileFacts.of(file);
            sources.add(new Assembly.Source(
                    file.getFileName().toString(),
                    file,
                    facts.opened(ZoneOffset.UTC, 0),
                    facts.seconds().orElse(0)));
        }
        return begin(sources, wanted);
    }

    private State begin(List<Assembly.Source> sources, Wanted wanted) {
        assembly.against(sources).ifPresent(why -> {
            throw new Refused(why);
        });
        String token = UUID.randomUUID().toString();
        jobs.<Done>of(new Token(token), assembly.steps(sources, wanted), job -> {
            try {
                return new Done(Optional.of(assembly.put(sources, wanted, job::step)), "");
            } catch (NotAFrame e) {
                return new Done(Optional.empty(), e.getMessage());
            }
        });
        return state(token).orElseThrow();
    }

    /**
     * Trails of a made-up series of the nearest take of trails, or else of stars.
     *
     * @throws Refused where there is none
     */
    public State example() {
        List<PlannedTake> near =
                takes.near().stream().filter(t -> t.motif() == Motif.STARS).toList();
        PlannedTake take = near.stream()
                .filter(t -> t.subject() instanceof Trails)
                .findFirst()
                .or(() -> near.stream().findFirst())
                .orElseThrow(() -> new Refused("There is no take of trails or stars to make frames of."));
        String token = UUID.randomUUID().toString();
        jobs.<Done>of(new Token(token), MadeUp.of(take, true).size(), job -> {
            try {
                return new Done(Optional.of(assembly.example(take, job::step)), "");
            } catch (NotAFrame e) {
                return new Done(Optional.empty(), e.getMessage());
            }
        });
        return state(token).orElseThrow();
    }

    public Optional<State> state(String token) {
        return jobs.find(new Token(token)).map(job -> {
            Done done = job.finished() ? (Done) job.result().orElseThrow() : new Done(Optional.empty(), "");
            return new State(
                    token, job.done(), job.steps(), job.finished(), done.picture.map(AssembledPicture::id), done.wrong);
        });
    }

    /** Nothing of it is kept. */
    public void cancel(String token) {
        jobs.cancel(new Token(token));
    }
}
