package dev.halfdusk.app;

import static org.assertj.core.api.Assertions.assertThat;

import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.places.Places;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;

/** Changes and deletes parts of kit, places, marks and domes by their own forms, to any value that these allow. */
final class RandomEdits {

    private static final double DELETED = 0.08;
    private static final int MOST_FIELDS = 3;

    private final MockMvc web;
    private final Kit kit;
    private final Places places;
    private final Random random;

    RandomEdits(MockMvc web, Kit kit, Places places, long seed) {
        this.web = web;
        this.kit = kit;
        this.places = places;
        this.random = new Random(seed);
    }

    private record Form(String page, String target) {}

    /** One edit in words; empty where it was refused. */
    String next() throws Exception {
        List<Form> forms = forms();
        if (random.nextInt(3) == 0) { // what takes refer to, among many pieces of gear and domes
            forms.removeIf(f -> !f.page.startsWith("/kit/rig/"));
        }
        Form form = forms.get(random.nextInt(forms.size()));
        boolean ofPlace = form.page.contains("?");
        if (random.nextDouble() < DELETED) {
            int status = Ask.sent(web, form.target + (ofPlace ? "/remove" : "/delete"), Map.of())
                    .getStatus();
            return status == 302 ? "deleted " + form.target : "";
        }
        String page = Ask.ok(web, form.page);
        Map<String, String> fields = PageFields.of(page, form.target);
        List<PageFields.Allowed> allowed = PageFields.allowed(page, form.target);
        StringBuilder words = new StringBuilder(form.target);
        for (int i = 0; i < 1 + random.nextInt(MOST_FIELDS) && !allowed.isEmpty(); i++) {
            PageFields.Allowed a = allowed.get(random.nextInt(allowed.size()));
            if (i == 0 && random.nextBoolean()) { // rigs are made of few parts among many boxes
                a = allowed.stream()
                        .filter(f -> f.name().equals("lens"))
                        .findFirst()
                        .orElse(a);
            }
            String value = value(a);
            fields.put(a.name(), value);
            fields.values().removeIf(v -> value.isEmpty() && v.isEmpty());
            words.append(' ').append(a.name()).append('=').append(value);
        }
        if (fields.containsKey("coordinates") && random.nextBoolean()) {
            String at = (random.nextInt(179) - 89) + ", " + (random.nextInt(359) - 179);
            fields.put("coordinates", at);
            words.append(" coordinates=").append(at);
        }
        MockHttpServletResponse answer = Ask.sent(web, form.target, fields);
        assertThat(answer.getStatus()).as(words.toString()).isIn(302, 422);
        return answer.getStatus() == 302 ? words.toString() : "";
    }

    private String value(PageFields.Allowed a) {
        if (!a.options().isEmpty()) {
            return a.options().get(random.nextInt(a.options().size()));
        }
        double span = a.max() - a.min();
        double v = switch (random.nextInt(4)) {
            case 0 -> a.min();
            case 1 -> a.max();
            default -> a.min() + span * Math.pow(random.nextDouble(), 3);
        };
        return a.whole() ? "" + Math.round(v) : "" + v;
    }

    private List<Form> forms() {
        List<Form> all = new ArrayList<>();
        kit.bodies().forEach(b -> all.add(form("/kit/body/" + b.id())));
        kit.lenses().forEach(l -> all.add(form("/kit/lens/" + l.id())));
        kit.gear().forEach(g -> all.add(form("/kit/gear/" + g.id())));
        kit.rigs().forEach(r -> all.add(form("/kit/rig/" + r.id())));
        for (Place p : places.all()) {
            String at = "/places/" + p.id();
            all.add(new Form(at + "/edit", at));
            places.marks(p.id()).forEach(m -> all.add(new Form(at + "?mark=" + m.id(), at + "/marks/" + m.id())));
            places.domes(p.id()).forEach(d -> all.add(new Form(at + "?dome=" + d.id(), at + "/domes/" + d.id())));
        }
        return all;
    }

    private static Form form(String address) {
        return new Form(address, address);
    }
}
