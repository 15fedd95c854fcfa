package dev.halfdusk.app.outings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import dev.halfdusk.app.Ask;
import dev.halfdusk.app.Made;
import dev.halfdusk.app.PageTest;
import dev.halfdusk.app.kit.Kit;
import dev.halfdusk.app.kit.NamedGear;
import dev.halfdusk.app.kit.NamedRig;
import dev.halfdusk.core.optics.Gear;
import java.util.List;
import java.util.Map;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;

/** An eclipse of the sun as a take of an outing tells people the same as its own plan does. */
@PageTest
record EclipseOutingTest(MockMvc web, Kit kit, Made made) {

    /** Clock and words of what concerns eyes, whatever stands between them. */
    private static final Pattern FILTERS =
            Pattern.compile("(?s)(\\d\\d:\\d\\d:\\d\\d)(?:(?!\\d\\d:\\d\\d:\\d\\d).){0,400}?(Filters o(?:n|ff)\\.)");

    private String page(String path) throws Exception {
        MockHttpServletResponse answer = web.perform(get(path)).andReturn().getResponse();
        assertThat(answer.getStatus()).as(path).isEqualTo(200);
        return answer.getContentAsString();
    }

    private long behindFilter() {
        NamedGear filter = kit.gear().stream()
                .filter(g -> g.gear() instanceof Gear.Filter f && f.stops() > 16)
                .findFirst()
                .orElseThrow();
        NamedRig some = kit.rigs().get(0);
        return kit.save(new NamedRig(null, "Behind a filter", some.body(), some.lens(), List.of(filter)));
    }

    private static List<String> filters(String text) {
        return FILTERS.matcher(text)
                .results()
                .map((MatchResult r) -> r.group(1) + " " + r.group(2))
                .toList();
    }

    @Test
    void filters_come_off_at_the_same_second_everywhere() throws Exception {
        String strait = ""
                + made.place("Strait of filters", 36.0104, -5.612, 140, "Europe/Madrid")
                        .id();
        String plan = Ask.sent(web, "/events/plans", Map.of("place", strait, "date", "2027-08-02"))
                .getRedirectedUrl();
        String outing = Ask.sent(web, "/outings", Map.of("place", strait, "night", "2027-08-01", "driveMinutes", "40"))
                .getRedirectedUrl();
        Ask.sent(web, outing + "/takes", Map.of("subject", "solar-eclipse", "rig", "" + behindFilter()));

        List<String> wanted = filters(page(plan + "/plan.txt"));
        assertThat(wanted).hasSize(3).anyMatch(l -> l.endsWith("off."));
        assertThat(filters(page(outing + "/sheet").replaceAll("(?s)<td class=\"quiet font-mono\">.*?</td>", "")))
                .isEqualTo(wanted);
        assertThat(filters(page(outing + "/field"))).isEqualTo(wanted);
        assertThat(filters(page(outing + "/sheet/night.html"))).containsAll(wanted);
        assertThat(page(outing + "/sheet")).contains("filter on").contains("filter off");
        assertThat(page(outing)).doesNotContain("begins before you arrive or ends after you have left");
    }
}
