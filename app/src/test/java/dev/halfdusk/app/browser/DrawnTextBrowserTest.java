package dev.halfdusk.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import javax.imageio.ImageIO;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Words in drawings, which no checker of pages looks at: in each lamp they stand out from what is around them, as the pixels are. */
class DrawnTextBrowserTest extends BrowserTest {

    /** What is read without strain at 13 px and more, less what edges that are smoothed take from the thinnest strokes. */
    private static final double LEAST = 3;

    private static final String BOXES = """
            [...document.querySelectorAll("svg text")].map((t) => ({ t, b: t.getBoundingClientRect() }))
              .filter(({ t, b }) => b.width > 6 && b.height > 4 && t.textContent.trim().length > 1 && b.left >= 0 && b.right <= innerWidth
                && b.top >= 0 && b.bottom <= innerHeight && !t.closest("[hidden], [aria-hidden=true]")
                && document.elementsFromPoint(b.left + b.width / 2, b.top + b.height / 2).some((e) => e.closest("svg") === t.ownerSVGElement || t.ownerSVGElement.contains(e) || e.contains(t.ownerSVGElement)))
              .map(({ t, b }) => ({ words: t.textContent.trim(), x: b.left, y: b.top, w: b.width, h: b.height }))
            """;

    @ParameterizedTest
    @ValueSource(
            strings = {"/outings/1", "/outings/4", "/events/plans/1", "/sequences", "/nights/2027-06-08", "/events/sun"
            })
    @SuppressWarnings("unchecked")
    void words_in_drawings_can_be_read(String path) throws IOException {
        page.setViewportSize(1280, 3000);
        page.navigate(url(path));
        page.waitForFunction("[...document.images].every((i) => i.complete)");
        List<String> faint = new ArrayList<>();
        int seen = 0;
        for (String lamp : List.of("dusk", "day", "red")) {
            page.evaluate("lamp => { document.documentElement.dataset.lamp = lamp; }", lamp);
            BufferedImage picture =
                    ImageIO.read(new ByteArrayInputStream(page.screenshot(new Page.ScreenshotOptions())));
            for (Map<String, Object> box : (List<Map<String, Object>>) page.evaluate(BOXES)) {
                seen++;
                double contrast = contrast(picture, box);
                if (contrast < LEAST) {
                    faint.add(String.format("%s: \u201c%s\u201d %.1f : 1", lamp, box.get("words"), contrast));
                }
            }
        }
        assertThat(faint).isEmpty();
        assertThat(seen).isGreaterThan(9);
    }

    private static double number(Map<String, Object> box, String what) {
        return ((Number) box.get(what)).doubleValue();
    }

    /** Between the lightest and the darkest pixel of a box. */
    private static double contrast(BufferedImage picture, Map<String, Object> box) {
        double least = 1;
        double most = 0;
        for (int y = (int) number(box, "y"); y < number(box, "y") + number(box, "h"); y++) {
            for (int x = (int) number(box, "x"); x < number(box, "x") + number(box, "w"); x++) {
                if (x < picture.getWidth() && y < picture.getHeight()) {
                    int rgb = picture.getRGB(x, y);
                    double light = 0.2126 * linear(rgb >> 16 & 255)
                            + 0.7152 * linear(rgb >> 8 & 255)
                            + 0.0722 * linear(rgb & 255);
                    least = Math.min(least, light);
                    most = Math.max(most, light);
                }
            }
        }
        return (most + 0.05) / (least + 0.05);
    }

    private static double linear(int value) {
        double v = value / 255.0;
        return v <= 0.04045 ? v / 12.92 : Math.pow((v + 0.055) / 1.055, 2.4);
    }
}
