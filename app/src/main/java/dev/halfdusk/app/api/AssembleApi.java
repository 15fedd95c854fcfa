package dev.halfdusk.app.api;

import dev.halfdusk.app.lighttable.Assemblies;
import dev.halfdusk.app.lighttable.Wanted;
import dev.halfdusk.app.web.NotFound;
import dev.halfdusk.core.assembly.Averaging;
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
     * @param picture id of what came of it, at /assembled/ID.tif and .jpg, a clip at .mp4; null before
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
                    "All frames of a folder below the allowed one, or those of the light table by their ids, to trails, a stack,"
                            + " a blend of sky and land, a composite of bursts or moons, a clip. The frames are only read.")
    JobState assemble(
            @Parameter(description = "picture that is made of them") @RequestParam Wanted.What what,
            @Parameter(description = "below the folder that was allowed at the start") @RequestParam(required = false)
                    String folder,
            @Parameter(description = "frames of the light table") @RequestParam(required = false) List<String> ids,
            @Parameter(description = "frames whose land stands under the others' sky: ids, or names in the folder")
                    @RequestParam(required = false)
                    List<String> land,
            @Parameter(description = "dark frames: ids, or names in the folder") @RequestParam(required = false)
                    List<String> dark,
            @Parameter(description = "pauses are filled along the way of the stars")
                    @RequestParam(defaultValue = "true")
                    boolean filled,
            @Parameter(description = "trails begin so many stops fainter") @RequestParam(defaultValue = "0")
                    double fade,
            @Parameter(description = "aircraft and satellites are left out of trails")
                    @RequestParam(defaultValue = "false")
                    boolean withoutLines,
            @Parameter(description = "brightness of trails and clips is evened out from frame to frame")
                    @RequestParam(defaultValue = "false")
                    boolean even,
            @Parameter(description = "frames of a camera that was knocked are laid back by the land")
                    @RequestParam(defaultValue = "false")
                    boolean steady,
            @Parameter(description = "of a stack") @RequestParam(defaultValue = "CLIPPED") Averaging averaging,
            @Parameter(description = "frames a second of a clip, 2 to 60") @RequestParam(defaultValue = "12")
                    double perSecond,
            @Parameter(description = "the land of a stack stays where it is") @RequestParam(defaultValue = "true")
                    boolean groundStill) {
        if ((folder == null) == (ids == null)) {
            throw new BadParameter("folder", "stands instead of ids", "one of folder and ids");
        }
        if (!TrailOptions.FADE.holds(fade)) {
            throw new BadParameter("fade", "is out of range", TrailOptions.FADE.allowed());
        }
        if (!Wanted.PER_SECOND.holds(perSecond)) {
            throw new BadParameter("perSecond", "is out of range", Wanted.PER_SECOND.allowed());
        }
        Wanted wanted = new Wanted(
                what, new TrailOptions(filled, fade, withoutLines, even, steady), averaging, groundStill, perSecond);
        Assemblies.Roles roles = new Assemblies.Roles(ids, land, dark);
        try {
            return told(
                    folder == null
                            ? assemblies.ofTable(roles, false, wanted)
                            : assemblies.ofFolder(folder, roles, wanted));
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
