package dev.halfdusk.app.events;

import dev.halfdusk.app.pictures.PathText;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.fireworks.Trainer;
import dev.halfdusk.core.fireworks.Trainer.Scored;
import dev.halfdusk.core.fireworks.Trainer.Verdict;
import java.util.List;

/** A round of the trainer: how many shells were taken whole, and the frame that came of each. */
record ScoreView(String summary, List<Row> rows) {

    /**
     * A shell in a box of 60 × 60.
     *
     * @param climb path of the part that was drawn
     * @param burst paths of its stars, as long as they were drawn
     */
    record Row(String verdict, boolean whole, String parts, String climb, String burst) {}

    private static final int STARS = 12;

    static ScoreView of(Trainer round, List<Trainer.Press> presses) {
        List<Scored> scored = round.score(presses);
        long whole = scored.stream().filter(s -> s.verdict() == Verdict.WHOLE).count();
        return new ScoreView(
                whole + " of " + scored.size() + " whole",
                scored.stream().map(ScoreView::row).toList());
    }

    private static Row row(Scored s) {
        double from = 58 - 36 * (1 - s.climb()); // what was missed is the beginning
        StringBuilder burst = new StringBuilder();
        for (int i = 0; i < STARS && s.burst() > 0; i++) {
            double angle = 2 * Math.PI * i / STARS;
            double reach = 18 * Math.sqrt(s.burst());
            burst.append("M30,22L")
                    .append(PathText.tenth(30 + reach * Math.cos(angle)))
                    .append(',')
                    .append(PathText.tenth(22 + reach * Math.sin(angle)));
        }
        return new Row(
                s.verdict().words(),
                s.verdict() == Verdict.WHOLE,
                "climb " + Words.percent(s.climb()) + ", burst " + Words.percent(s.burst()),
                s.climb() == 0 ? "" : "M30," + PathText.tenth(from) + "L30,22",
                burst.toString());
    }
}
