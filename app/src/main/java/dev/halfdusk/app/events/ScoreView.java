package dev.halfdusk.app.events;

import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.fireworks.Trainer;
import dev.halfdusk.core.fireworks.Trainer.Scored;
import dev.halfdusk.core.fireworks.Trainer.Verdict;
import dev.halfdusk.core.measure.Numbers;
import java.util.List;

/** A round of the trainer: how many shells were taken whole, and the frame that came of each. */
record ScoreView(String summary, List<Row> rows) {

    /**
     * A shell.
     *
     * @param query of the photograph's address; null where it was not taken
     */
    record Row(String verdict, boolean whole, String parts, String query) {}

    /** @param display address of the display the round was played at */
    static ScoreView of(Trainer round, List<Trainer.Press> presses, String display) {
        List<Scored> scored = round.score(presses);
        long whole = scored.stream().filter(s -> s.verdict() == Verdict.WHOLE).count();
        return new ScoreView(
                whole + " of " + scored.size() + " whole",
                scored.stream().map(s -> row(s, display)).toList());
    }

    private static Row row(Scored s, String display) {
        return new Row(
                s.verdict().words(),
                s.verdict() == Verdict.WHOLE,
                "climb " + Words.percent(s.climb()) + ", burst " + Words.percent(s.burst()),
                s.press()
                        .filter(p -> !display.isEmpty())
                        .map(p -> display + "&opens=" + Numbers.plain(p.opens(), 3) + "&closes="
                                + Numbers.plain(p.closes(), 3))
                        .orElse(null));
    }
}
