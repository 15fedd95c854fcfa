package dev.halfdusk.app.outings;

import dev.halfdusk.core.outing.Clash;
import java.util.List;

/**
 * What does not go together in a night, in sentences.
 *
 * @param takes by name; none where the whole night is meant
 * @param words what
 * @param way out of it
 * @param steps that may be taken at once
 */
public record ToldClash(Clash.Kind kind, List<String> takes, String words, String way, List<Clash.Step> steps) {

    static ToldClash of(Clash k) {
        return new ToldClash(k.kind(), k.takes(), ClashWords.words(k.reason()), ClashWords.way(k.reason()), k.steps());
    }

    /** One that has no step to be taken at once. */
    static ToldClash of(Clash.Kind kind, List<String> takes, String words, String way) {
        return new ToldClash(kind, takes, words, way, List.of());
    }
}
