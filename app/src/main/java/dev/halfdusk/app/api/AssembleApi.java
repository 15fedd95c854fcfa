package dev.halfdusk.app.api;

import dev.halfdusk.app.lighttable.Assemblies;
import dev.halfdusk.app.lighttable.Wanted;
import dev.halfdusk.app.web.NotFound;
import dev.halfdusk.core.assembly.TrailOptions;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.Parameter;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.lang.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Frames put together. */
@RestController
@RequestMapping("/api")
@Tag(name = "frames", description = "Measuring finished frames")
class AssembleApi {

    private final Assemblies assemblies;

    AssembleApi(Assemblies assemblies) {
        this.assemblies = assemblies;
    }

    /**
     * @param id of the job
     * @param done steps of all
     * @param picture id of what came of it, at /assembled/ID.tif and .jpg; null before
     * @param wrong why nothing came of it; null where nothing is
     */
    public record JobState(
            String id,
            int done,
            int steps,
            boolean finished,
            @Nullable String picture,
            @Nullable String wrong) {}

    @PostMapping("/frames/assemble")
    @ResponseStatus(HttpStatus.ACCEPTED)
    @Operation(
            summary = "Begins to put frames together",
            description =
                    "All frames of a folder below the allowed one, or those of the light table by their ids, to trails or to a"
                            + " stack whose stars are laid over each other. The frames are only read.")
    JobState assemble(
            @Parameter(description = "trails or stack") @RequestParam Wanted.What what,
            @Parameter(description = "below the folder that was allowed at the start") @RequestParam(required = false)
                    String folder,
            @Parameter(description = "frames of the light table") @RequestParam(required = false) List<String> ids,
            @Parameter(description = "pauses are filled along the way of the stars")
                    @RequestParam(defaultValue = "true")
                    boolean filled,
            @Parameter(description = "trails begin so many stops fainter") @RequestParam(defaultValue = "0")
                    double fade,
            @Parameter(description = "aircraft and satellites are left out of trails")
                    @RequestParam(defaultValue = "false")
                    boolean withoutLines,
            @Parameter(description = "what stands out in one frame is left out of a stack")
                    @RequestParam(defaultValue = "true")
                    boolean clipped,
            @Parameter(description = "the land of a stack stays where it is") @RequestParam(defaultValue = "true")
                    boolean groundStill) {
        if ((folder == null) == (ids == null)) {
            throw new BadParameter("folder", "stands instead of ids", "one of folder and ids");
        }
        if (!TrailOptions.FADE.holds(fade)) {
            throw new BadParameter("fade", "is out of range", TrailOptions.FADE.allowed());
        }
        Wanted wanted = new Wanted(what, new TrailOptions(filled, fade, withoutLines), clipped, groundStill);
        try {
            return told(folder == null ? assemblies.ofTable(ids, false, wanted) : assemblies.ofFolder(folder, wanted));
        } catch (Assemblies.Refused e) {
            throw new BadParameter(
                    folder == null ? "ids" : "folder", "cannot be put together: " + e.getMessage(), "frames");
        }
    }

    @GetMapping("/jobs/{id}")
    @Operation(summary = "How far a job has come", description = "Kept for half an hour after it was last asked for.")
    JobState job(@PathVariable String id) {
        return told(assemblies.state(id).orElseThrow(() -> new NotFound("the job")));
    }

    private static JobState told(Assemblies.State s) {
        return new JobState(
                s.token(),
                s.done(),
                s.steps(),
                s.finished(),
                s.picture().orElse(null),
                s.wrong().isEmpty() ? null : s.wrong());
    }
}
