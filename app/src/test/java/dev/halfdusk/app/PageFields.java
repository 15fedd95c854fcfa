package dev.halfdusk.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.web.util.HtmlUtils;

/** The fields of a form on a page, as a browser would send them, and what else they may be. */
public final class PageFields {

    private static final Pattern INPUT = Pattern.compile("<input ([^>]*)>");
    private static final Pattern TEXT = Pattern.compile("(?s)<textarea ([^>]*)>(.*?)</textarea>");
    private static final Pattern LIST = Pattern.compile("(?s)<select ([^>]*)>(.*?)</select>");
    private static final Pattern OPTION = Pattern.compile("<option value=\"([^\"]*)\"( selected)?");

    private PageFields() {}

    /** What a field may be: a number between two, or one of some. */
    public record Allowed(String name, double min, double max, boolean whole, List<String> options) {}

    /** Of the form that is sent to an address and carries the mark of what was seen. */
    public static Map<String, String> of(String page, String target) {
        String form = form(page, target);
        assertThat(form).as("a form to %s that carries the mark", target).contains("name=\"seen\"");
        return fields(form);
    }

    /** Of the form that is sent to an address and makes something new. */
    public static Map<String, String> ofNew(String page, String target) {
        return fields(form(page, target));
    }

    private static Map<String, String> fields(String form) {
        Map<String, String> fields = new LinkedHashMap<>();
        Matcher inputs = INPUT.matcher(form);
        while (inputs.find()) {
            String input = inputs.group(1);
            boolean box = input.contains("type=\"checkbox\"");
            if (!input.contains("type=\"file\"") && (!box || input.contains("checked"))) {
                fields.put(attribute(input, "name"), box ? "on" : attribute(input, "value"));
            }
        }
        Matcher texts = TEXT.matcher(form);
        while (texts.find()) {
            fields.put(
                    attribute(texts.group(1), "name"),
                    HtmlUtils.htmlUnescape(texts.group(2)).replaceFirst("^\\R", ""));
        }
        Matcher lists = LIST.matcher(form);
        while (lists.find()) {
            Matcher options = OPTION.matcher(lists.group(2));
            String chosen = "";
            while (options.find()) {
                chosen = options.group(2) == null ? chosen : options.group(1);
            }
            fields.put(attribute(lists.group(1), "name"), chosen);
        }
        return fields;
    }

    /** Numbers, lists and boxes of the same form. */
    public static List<Allowed> allowed(String page, String target) {
        String form = form(page, target);
        List<Allowed> all = new ArrayList<>();
        Matcher inputs = INPUT.matcher(form);
        while (inputs.find()) {
            String input = inputs.group(1);
            String name = attribute(input, "name");
            if (input.contains("type=\"checkbox\"")) {
                all.add(new Allowed(name, 0, 0, false, List.of("", "on")));
            } else if (!attribute(input, "min").isEmpty()
                    && !attribute(input, "max").isEmpty()) {
                all.add(new Allowed(
                        name,
                        Double.parseDouble(attribute(input, "min")),
                        Double.parseDouble(attribute(input, "max")),
                        "1".equals(attribute(input, "step"))
                                || attribute(input, "step").isEmpty(),
                        List.of()));
            }
        }
        Matcher lists = LIST.matcher(form);
        while (lists.find()) {
            List<String> options = new ArrayList<>();
            OPTION.matcher(lists.group(2)).results().forEach(o -> options.add(o.group(1)));
            all.add(new Allowed(attribute(lists.group(1), "name"), 0, 0, false, options));
        }
        return all;
    }

    private static String form(String page, String target) {
        Matcher opening = Pattern.compile("<form[^>]* action=\"" + Pattern.quote(target) + "\"[^>]*>")
                .matcher(page);
        String form = "";
        while (opening.find() && !form.contains("name=\"seen\"")) {
            form = page.substring(opening.start(), page.indexOf("</form>", opening.start()));
        }
        assertThat(form).as("a form to " + target).isNotEmpty();
        return form;
    }

    private static String attribute(String tag, String name) {
        Matcher m = Pattern.compile("(?<![\\w-])" + name + "=\"([^\"]*)\"").matcher(tag);
        return m.find() ? HtmlUtils.htmlUnescape(m.group(1)) : "";
    }
}
