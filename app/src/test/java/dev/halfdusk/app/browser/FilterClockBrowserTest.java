package dev.halfdusk.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.options.FormData;
import com.microsoft.playwright.options.RequestOptions;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The one page that may blind someone: it says that filters are off inside of their window and never elsewhere, whatever its clock went through. */
class FilterClockBrowserTest extends BrowserTest {

    /** Time, timers, the server's clock and the voice, all in the hands of the test. */
    private static final String STAND_IN = """
            (() => {
              const v = window.v = { real: 0, perf: 0, error: 0, ticks: [], asked: [], spoken: [] };
              Date.now = () => Math.round(v.real + v.error);
              performance.now = () => v.perf;
              window.setInterval = (f) => v.ticks.push(f);
              window.fetch = (url) => new Promise((resolve, reject) => v.asked.push({ url, resolve, reject, sent: v.real }));
              window.SpeechSynthesisUtterance = function (text) { this.text = text; };
              Object.defineProperty(window, "speechSynthesis", { value: { speak: (u) => v.spoken.push(u.text) } });
            })();
            """;

    /** Walks from before the first contact to after the last; hands back how often it was off, and every time it should not have been. */
    private static final String WALK = """
            async ([seed, calm]) => {
              let state = seed;
              const random = () => { state = (state * 1103515245 + 12345) % 2147483648; return state / 2147483648; };
              const off = document.querySelector("[data-filter-off]");
              const lines = [...document.querySelectorAll("[data-coming]")].map((l) => Number(l.dataset.at));
              const from = off ? Number(off.dataset.from) : NaN;
              const to = off ? Number(off.dataset.to) : NaN;
              const wrong = [];
              let shown = 0;
              let said = 0;
              v.real = lines[0] - 60000;
              v.error = (random() - 0.5) * 7200000;
              document.querySelector("[data-cue=speech]").click();
              v.spoken.length = 0;
              const settle = async () => { for (let i = 0; i < 8; i++) await null; };
              const check = (after) => {
                const inside = v.real >= from && v.real <= to;
                const isOff = Boolean(off) && !off.hidden;
                const on = [...document.querySelectorAll(".filter-state:not(.off)")].filter((p) => !p.hidden).length;
                if (isOff && !inside) wrong.push(`shown ${(v.real - from) / 1000} s after, ${after}`);
                if (isOff === (on > 0)) wrong.push(`off ${isOff}, on ${on}, ${after}`);
                if (isOff) shown++;
                for (const words of v.spoken.splice(0)) {
                  const bad = /filters off|look at it/i.test(words);
                  if (bad) said++;
                  if (bad && !inside) wrong.push(`said ${words} ${(v.real - from) / 1000} s after, ${after}`);
                }
              };
              const pass = (ms, awake) => { v.real += ms; if (awake) v.perf += ms; };
              const answer = (chance) => {
                for (const a of v.asked.splice(0)) {
                  if (!calm && random() < 0.1) a.reject(new Error("no server"));
                  else if (random() < chance) {
                    const stamp = a.sent + random() * (v.real - a.sent); // the ways there and back need not be alike
                    a.resolve({ ok: true, json: async () => ({ epochMs: stamp }) });
                  } else v.asked.push(a);
                }
              };
              const near = () => off && v.real > from - 30000 && v.real < to + 30000;
              const end = lines[lines.length - 1] + 60000;
              while (v.real < end) {
                const what = calm ? 1 : random();
                let name = "ticks";
                if (what < 0.02) { pass(60000 * (1 + 30 * random()), false); name = "slept"; }
                else if (what < 0.05) { pass(20000 * random(), true); name = "ticked late"; }
                else if (what < 0.07) { pass(60000 * random(), true); window.dispatchEvent(new PageTransitionEvent("pageshow", { persisted: true })); name = "came back"; }
                else if (what < 0.09) { pass(3000 * random(), random() < 0.5); document.dispatchEvent(new Event("visibilitychange")); name = "looked again"; }
                else if (what < 0.10) { v.error += (random() - 0.5) * 600000; name = "its clock was set"; }
                else pass(near() ? 500 : 20000, true);
                if (name === "ticks") check("before the next tick"); // a screen that slept, or was hidden, showed nothing
                answer(calm ? 1 : near() ? 0.4 : 0.8);
                await settle();
                v.ticks.forEach((tick) => tick());
                await settle();
                check(name);
              }
              return { wrong, shown, said };
            }
            """;

    private String posted(String path, Map<String, String> fields) {
        FormData form = FormData.create();
        fields.forEach(form::set);
        APIResponse answer = page.request()
                .post(url(path), RequestOptions.create().setForm(form).setMaxRedirects(0));
        org.assertj.core.api.Assertions.assertThat(answer.status()).as(path).isEqualTo(302);
        return answer.headers().get("location");
    }

    @Test
    @SuppressWarnings("unchecked")
    void filters_are_never_off_outside_of_their_window() {
        SplittableRandom random = new SplittableRandom(50);
        List<String> days = new ArrayList<>();
        for (int i = 0; i < 50; i++) {
            boolean ring = i % 10 == 9; // the annular eclipse half a year later
            double latitude = ring ? 36.5 + random.nextDouble(1) : 35.4 + random.nextDouble(1.4);
            String place = posted(
                    "/places",
                    Map.of(
                            "name",
                            "Filters " + i,
                            "coordinates",
                            latitude + ", " + (-6.2 + random.nextDouble(1.2)),
                            "elevation",
                            "10",
                            "zone",
                            "Europe/Madrid"));
            String id = place.replaceAll(".*/", "");
            String plan = posted("/events/plans", Map.of("place", id, "date", ring ? "2028-01-26" : "2027-08-02"));
            days.add("/events/plans/" + plan.replaceAll(".*/", "") + "/day");
        }
        page.addInitScript(STAND_IN);
        long shown = 0;
        long said = 0;
        for (int i = 0; i < days.size(); i++) {
            page.navigate(url(days.get(i)));
            Map<String, Object> walked = (Map<String, Object>) page.evaluate(WALK, List.of(7919 * (i + 1), false));
            org.assertj.core.api.Assertions.assertThat((List<String>) walked.get("wrong"))
                    .as("%s", days.get(i))
                    .isEmpty();
            shown += ((Number) walked.get("shown")).longValue();
            said += ((Number) walked.get("said")).longValue();
        }
        org.assertj.core.api.Assertions.assertThat(shown).isGreaterThan(500);
        org.assertj.core.api.Assertions.assertThat(said).isGreaterThan(4);

        // on a calm day both are told, and it shows for all of the window but the first and the last tick
        page.navigate(url("/events/plans/1/day"));
        long open = Long.parseLong(page.locator("[data-filter-off]").getAttribute("data-to"))
                - Long.parseLong(page.locator("[data-filter-off]").getAttribute("data-from"));
        Map<String, Object> calm = (Map<String, Object>) page.evaluate(WALK, List.of(1, true));
        org.assertj.core.api.Assertions.assertThat((List<String>) calm.get("wrong"))
                .isEmpty();
        org.assertj.core.api.Assertions.assertThat(((Number) calm.get("said")).intValue())
                .isEqualTo(2);
        org.assertj.core.api.Assertions.assertThat(((Number) calm.get("shown")).doubleValue() / 2)
                .as("looked at before and after each tick of half a second")
                .isCloseTo(open / 500.0, org.assertj.core.data.Offset.offset(6.0));
    }

    /** Opened in totality, left, and half an hour later Back: the browser may keep the page, the page asks for the time. */
    @Test
    void back_shows_filters_on(@TempDir Path data) {
        MovedClock clock = new MovedClock("2027-08-02T08:45:30Z");
        try (RunningApplication application = RunningApplication.start(data, clock)) {
            page.navigate(application.url("/events/plans/1/day"));
            long from = Long.parseLong(page.locator("[data-filter-off]").getAttribute("data-from"));
            clock.to(java.time.Instant.ofEpochMilli(from + 60_000));
            page.navigate(application.url("/events/plans/1/day"));
            assertThat(page.locator("[data-filter-off]")).isVisible();
            page.navigate(application.url("/kit"));
            clock.on(1800);
            page.goBack();
            assertThat(page.locator("[data-unsure]")).isHidden();
            assertThat(page.locator("[data-filter-on]")).isVisible();
            assertThat(page.locator("[data-filter-off]")).isHidden();
            page.close();
        }
    }
}
