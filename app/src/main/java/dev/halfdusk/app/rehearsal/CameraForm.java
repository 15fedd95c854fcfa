package dev.halfdusk.app.rehearsal;

import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.web.Choice;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.ShapeForm;
import dev.halfdusk.core.camera.EclipseCamera;
import dev.halfdusk.core.eclipse.FilterWindow.Margins;
import dev.halfdusk.core.eclipse.Role;
import dev.halfdusk.core.optics.Rig;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** Between a camera of a plan and its fields. */
@Component
class CameraForm {

    static final List<Choice> ROLES = Choice.of(Role.class, Role::key, Role::words);

    static final List<ShapeForm.View> FIELDS = ShapeForm.views(EclipseCamera.SHAPE);

    /** What the fields of a camera hold. */
    static final List<String> NAMES = Stream.concat(Stream.of("name", "rig"), EclipseCamera.SHAPE.keys().stream())
            .toList();

    private final Kit kit;

    CameraForm(Kit kit) {
        this.kit = kit;
    }

    static Form fields(PlanCamera c) {
        Form form = new Form().put("name", c.name()).put("rig", c.rig().id());
        return ShapeForm.fill(form, EclipseCamera.SHAPE, c.set());
    }

    /** A camera as one begins with it. */
    static PlanCamera usual(NamedRig named, Role role, Margins margins) {
        EclipseCamera set = EclipseCamera.usual(named.rig(), role).within(margins);
        return new PlanCamera(0, role.words(), named, set, Optional.empty());
    }

    /** As its rig can be set; empty where the form now holds complaints. */
    Optional<PlanCamera> read(Form form, PlanCamera before, Margins margins) {
        OptionalLong rigId = form.id("rig");
        Optional<NamedRig> named = rigId.isPresent() ? kit.rig(rigId.getAsLong()) : Optional.empty();
        if (named.isEmpty()) {
            form.replaceError("rig", "Choose one of the list.");
            return Optional.empty();
        }
        Rig rig = named.get().rig();
        if (!named.get().id().equals(before.rig().id())) { // as near as the other can be set
            form.moveInto("focalMm", rig.lens().focalLengths());
            form.copy()
                    .number("focalMm", rig.lens().focalLengths())
                    .ifPresent(mm -> form.moveInto("aperture", rig.apertures(mm)));
        }
        String name = form.text("name", "what you call it");
        Optional<EclipseCamera> set = ShapeForm.read(form, EclipseCamera.on(rig));
        return form.hasErrors()
                ? Optional.empty()
                : set.map(s -> new PlanCamera(before.id(), name, named.get(), s.within(margins), before.byHand()));
    }
}
