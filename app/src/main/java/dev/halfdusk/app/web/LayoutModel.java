package dev.halfdusk.app.web;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.CookieValue;
import org.springframework.web.bind.annotation.ModelAttribute;

/** What the frame around every page needs: the lamp, the rail, the way back; and what is said in the same words wherever it must be. */
@ControllerAdvice(annotations = Controller.class)
class LayoutModel {

    private static final String TONIGHT = "tonight";
    private static final String WHAT = "what and when";
    private static final String WITH = "with what";
    private static final String AFTER = "what came of it";

    /** By when one needs them. */
    private static final List<View> VIEWS = List.of(
            new View("Dusk board", "/", "b", TONIGHT),
            new View("Outings", "/outings", "o", TONIGHT),
            new View("Events", "/events", "v", WHAT),
            new View("Nights", "/nights", "n", WHAT),
            new View("Places", "/places", "p", WHAT),
            new View("Kit", "/kit", "k", WITH),
            new View("Bench", "/bench", "e", WITH),
            new View("Frame", "/frame", "f", WITH),
            new View("Sequences", "/sequences", "s", WITH),
            new View("Light table", "/lighttable", "t", AFTER),
            new View("Log", "/log", "l", AFTER),
            new View("Practice", "/practice", "r", AFTER));

    /**
     * A word on the rail.
     *
     * @param key pressed after g
     * @param group the question that it answers
     */
    public record View(String name, String path, String key, String group) {}

    /** The view a page belongs to: "/outings" for "/outings/3/edit". */
    private static String section(String path) {
        int second = path.indexOf('/', 1);
        return second < 0 ? path : path.substring(0, second);
    }

    @ModelAttribute
    void layout(
            @CookieValue(name = Lamp.COOKIE, defaultValue = "dusk") String lamp,
            HttpServletRequest request,
            Model model) {
        String query = request.getQueryString();
        boolean page = "GET".equals(request.getMethod());
        model.addAttribute("lamp", Lamp.of(lamp).key());
        model.addAttribute("lamps", Lamp.values());
        model.addAttribute("sunCaution", CautionWords.SUN);
        model.addAttribute("views", VIEWS);
        model.addAttribute("section", section(request.getRequestURI()));
        model.addAttribute("here", page ? request.getRequestURI() + (query == null ? "" : "?" + query) : "/");
    }
}
