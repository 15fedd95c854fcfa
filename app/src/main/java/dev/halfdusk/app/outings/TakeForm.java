package dev.halfdusk.app.outings;

import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.app.kit.UsualDecision;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import dev.halfdusk.app.setup.SetupReader;
import dev.halfdusk.app.web.AskedSky;
import dev.halfdusk.app.web.Choice;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.ShapeForm;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.measure.Direction;
import dev.halfdusk.core.measure.Id;
import dev.halfdusk.core.measure.Named;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.night.Asked;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.Framed;
import dev.halfdusk.core.optics.LensSetting;
import dev.halfdusk.core.optics.Orientation;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.take.Decision;
import dev.halfdusk.core.take.Free;
import dev.halfdusk.core.take.Subject;
import dev.halfdusk.core.take.Subject.Parameter;
import dev.halfdusk.core.take.Subjects;
import dev.halfdusk.core.take.Take;
import dev.halfdusk.core.take.Wish;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;

/** Between a take and the fields of its panel. What is not sent is as one begins with it. */
@Component
class TakeForm {

    static final List<Choice> SUBJECTS =
            Subjects.ALL.stream().map(k -> new Choice(k.key(), k.words())).toList();
    static final List<Choice> WISHES = Choice.of(Wish.Kind.class, Wish.Kind::key, Wish.Kind::words);

    static final List<Choice> ANY_WISH = Choice.orNone("as usual for it", WISHES);

    private final Kit kit;
    private final Places places;
    private final UsualDecision usual;

    TakeForm(Kit kit, Places places, UsualDecision usual) {
        this.usual = usual;
        this.kit = kit;
        this.places = places;
    }

    /** Before the names of the fields of what is decided. */
    static final String OWN = "own-";

    static final List<ShapeForm.View> DECISION = ShapeForm.views(OWN, Decision.SHAPE);

    /** A take with the rig it is stored with. */
    record Read(Take take, NamedRig rig) {}

    /** What the fields of a take of a kind hold. */
    static List<String> names(Subject.Kind kind) {
        List<String> names = new ArrayList<>(List.of(
                "stop",
                "name",
                "subject",
                "rig",
                "focal",
                "aperture",
                "azimuth",
                "altitude",
                "upright",
                "wish",
                "from",
                "to",
                "mark",
                "at"));
        names.addAll(AskedSky.FIELDS);
        kind.parameters().forEach(p -> names.add(p.name()));
        names.addAll(ShapeForm.names(OWN, Decision.SHAPE));
        return names;
    }

    /** A value in words: rigs by their names. */
    String words(String field, String value) {
        OptionalLong id = "rig".equals(field) ? new Form().put("id", value).id("id") : OptionalLong.empty();
        return id.isPresent() ? kit.rig(id.getAsLong()).map(NamedRig::name).orElse(value) : value;
    }

    /** What one begins a take with. */
    static Form blank() {
        return new Form().allows("minutes", Free.KIND.parameters().get(0).range());
    }

    /** The fields of a take that exists. */
    static Form fields(Takes.Stored stored, ZoneId zone) {
        Take t = stored.take();
        Form form = new Form()
                .put("stop", t.stop())
                .put("name", t.name())
                .put("subject", t.subject().kind().key())
                .put("rig", stored.rig().id())
                .put("focal", t.asked().onLensMm())
                .put("aperture", t.asked().aperture())
                .put("upright", t.framed().held() == Orientation.PORTRAIT ? "on" : "")
                .put("wish", t.wish().kind().key())
                .put("from", t.wish().from().map(LocalTime::toString).orElse(""))
                .put("to", t.wish().to().map(LocalTime::toString).orElse(""))
                .put("mark", t.wish().mark().map(m -> m.id().text()).orElse(""))
                .put("at", t.pinned().map(p -> Words.clock(p, zone)).orElse(""));
        AskedSky.fill(form, t.wish().asked());
        t.framed().aim().ifPresent(a -> SetupReader.fill(form, a));
        SetupReader.said(form);
        ShapeForm.fill(OWN, form, Decision.SHAPE, t.decision());
        List<Parameter> parameters = t.subject().kind().parameters();
        for (int i = 0; i < parameters.size(); i++) {
            double v = t.subject().values().get(i);
            boolean tick = parameters.get(i).sort() == Parameter.Sort.YES_NO;
            boolean listed = parameters.get(i).sort() == Parameter.Sort.CHOICE;
            form.put(parameters.get(i).name(), listed ? (Object) (int) v : tick ? v != 0 ? "on" : "" : (Object) v);
        }
        SetupReader.fit(form, stored.rig().id(), stored.rig().rig());
        return form;
    }

    /**
     * Reads a take; empty where the form now holds complaints.
     *
     * @param outing whose night a typed opening belongs to, and over whose marks something can stand
     */
    Optional<Read> read(Form form, Outing outing) {
        boolean said = form.has(OWN + Decision.SHAPE.keys().get(0));
        Optional<Subject.Kind> kind = Subjects.of(form.value("subject"));
        if (kind.isEmpty()) {
            form.reject("subject", "Choose one of the list.");
        }
        Optional<Subject> subject = kind.flatMap(k -> subject(form, k));
        OptionalLong rigId = form.has("rig") ? form.id("rig") : OptionalLong.empty();
        Optional<NamedRig> named = rigId.isPresent() ? kit.rig(rigId.getAsLong()) : Optional.empty();
        if (named.isEmpty()) {
            form.replaceError("rig", "Choose one of the list.");
            return Optional.empty();
        }
        Rig rig = named.get().rig();
        SetupReader.fit(form, named.get().id(), rig);
        form.putIfEmpty(
                "focal", subject.map(s -> s.usualFocalMm(rig)).orElse(rig.lens().shortestMm()));
        OptionalDouble focal = form.number("focal", rig.lens().focalLengths());
        Range apertures = focal.isPresent() ? rig.apertures(focal.getAsDouble()) : Range.APERTURE;
        double mm = focal.orElse(rig.lens().shortestMm());
        form.putIfEmpty(
                "aperture",
                subject.filter(s -> rig.lens().focalLengths().holds(mm))
                        .map(s -> s.usualAperture(rig, mm))
                        .orElse(apertures.min()));
        OptionalDouble aperture = form.number("aperture", apertures);
        Optional<Direction> aim = SetupReader.aim(form);
        int stop = stop(form, outing);
        Optional<Wish> wish = wish(form, subject, outing, stop);
        Optional<Instant> pinned = form.clock("at")
                .map(t -> Night.at(outing.night(), t, outing.place().zone()));
        Optional<Decision> decision = ShapeForm.read(OWN, form, Decision.SHAPE);
        fits(form, rig.body());
        String name = name(form, kind);
        if (form.hasErrors()) {
            return Optional.empty();
        }
        Orientation held = form.has("upright") ? Orientation.PORTRAIT : Orientation.LANDSCAPE;
        Take take = new Take(
                new Id(name),
                name,
                subject.orElseThrow(),
                Takes.camera(named.get()),
                new Framed(new LensSetting(focal.getAsDouble(), aperture.getAsDouble()), aim, held),
                wish.orElseThrow(),
                pinned,
                decision.orElseThrow(),
                stop);
        return Optional.of(new Read(said ? take : usual.of(take), named.get()));
    }

    /** What the body cannot be set to is refused with what it can. */
    private static void fits(Form form, CameraBody body) {
        Range shutters = Range.SHUTTER.from(body.fastestSeconds());
        if (form.has(OWN + "iso") && form.error(OWN + "iso") == null) {
            form.number(OWN + "iso", body.isos());
        }
        if (form.has(OWN + "shutterSeconds") && form.error(OWN + "shutterSeconds") == null) {
            form.number(OWN + "shutterSeconds", shutters);
        }
    }

    /** One that is named only by what it is needs no name of its own; something else is nothing without. */
    private static String name(Form form, Optional<Subject.Kind> kind) {
        boolean named = kind.filter(k -> !k.key().equals("free")).isPresent();
        return form.has("name") || !named
                ? form.text("name", "what it is")
                : kind.orElseThrow().words();
    }

    /** The place of an outing's night at which it is taken; the first where nothing is said. */
    private static int stop(Form form, Outing outing) {
        if (!form.has("stop")) {
            return 0;
        }
        List<String> stops = IntStream.range(0, outing.places().size())
                .mapToObj(Integer::toString)
                .toList();
        int stop = stops.indexOf(form.value("stop").strip());
        if (stop < 0) {
            form.reject("stop", "Choose a place of this night.");
        }
        return Math.max(0, stop);
    }

    /** By its identity, of whichever place of the night; one that does not stand there any more is kept by it. */
    private Optional<Named> mark(String id, Outing outing) {
        if (id.isBlank()) {
            return Optional.empty();
        }
        Id of = new Id(id);
        return Optional.of(outing.places().stream()
                .filter(p -> p.id() != null)
                .flatMap(p -> Optional.ofNullable(places.known(p.id()).get(of)).stream())
                .findFirst()
                .map(m -> new Named(of, m.name()))
                .orElseGet(() -> Named.of(id)));
    }

    /** Over the mark of that name at its own place, where there is one. */
    private Wish there(Wish wish, Place place) {
        return place.id() == null ? wish : places.at(place.id(), wish);
    }

    private static Optional<Subject> subject(Form form, Subject.Kind kind) {
        List<Double> values = new ArrayList<>();
        for (Parameter p : kind.parameters()) {
            if (p.sort() == Parameter.Sort.YES_NO) {
                values.add(form.has(p.name()) ? 1.0 : 0.0);
                continue;
            }
            form.putIfEmpty(p.name(), p.usual());
            if (p.sort() == Parameter.Sort.WHOLE || p.sort() == Parameter.Sort.CHOICE) {
                form.whole(p.name(), p.range()).ifPresent(v -> values.add((double) v));
            } else {
                form.number(p.name(), p.range()).ifPresent(values::add);
            }
        }
        return values.size() == kind.parameters().size() ? Optional.of(kind.of(values)) : Optional.empty();
    }

    private Optional<Wish> wish(Form form, Optional<Subject> subject, Outing outing, int stop) {
        Place place = outing.place(stop);
        Optional<Asked> asked = AskedSky.read(AskedSky.begin(form), place.glow());
        if (asked.isEmpty()) {
            return Optional.empty();
        }
        if (!form.has("wish")) {
            return subject.map(s -> s.usual().asking(asked.get()));
        }
        Optional<Wish.Kind> kind = Wish.Kind.of(form.value("wish"));
        if (kind.isEmpty()) {
            form.reject("wish", "Choose one of the list.");
            return Optional.empty();
        }
        boolean marked = kind.get().marked();
        try {
            Wish wish = Wish.of(
                    kind.get(),
                    kind.get().timed() ? form.clock("from") : Optional.empty(),
                    kind.get() == Wish.Kind.WINDOW ? form.clock("to") : Optional.empty(),
                    marked ? mark(form.value("mark"), outing) : Optional.empty(),
                    asked.get());
            return Optional.of(there(wish, place));
        } catch (IllegalArgumentException e) {
            form.reject(marked ? "mark" : "from", marked ? "Choose the mark." : "Enter the time, such as 23:30.");
            return Optional.empty();
        }
    }
}
