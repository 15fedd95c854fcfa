package dev.halfdusk.app.web;

import java.util.Collection;
import org.springframework.web.util.UriComponentsBuilder;

/** What a page shows, as the query of an address. */
public final class Address {

    private Address() {}

    /**
     * Of some fields, those that hold something.
     *
     * @param change of one field: "aperture=8"; empty for none
     */
    public static String query(Form form, Collection<String> names, String change) {
        UriComponentsBuilder uri = UriComponentsBuilder.newInstance();
        for (String name : names) {
            if (form.has(name) && !change.startsWith(name + "=")) {
                uri.queryParam(name, form.value(name));
            }
        }
        String query = uri.encode().build().getQuery();
        return change.isEmpty() ? query : query + "&" + change;
    }
}
