package dev.halfdusk.app.rehearsal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.halfdusk.core.eclipse.Anchor;
import dev.halfdusk.core.eclipse.Script;
import dev.halfdusk.core.eclipse.Script.Line;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Settings;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ScriptFileTest {

    private static final String HEAD = String.join(",", ScriptFile.COLUMNS) + "\n";
    private static final String GOOD = "c2,-12.5,3,0.4,0.00125,8,200,raw,on,beads";

    /** Whatever a script says, its file says again: to the millisecond in times, exactly in settings. */
    @Test
    void a_script_survives_its_file() {
        SplittableRandom random = new SplittableRandom(3);
        for (int n = 0; n < 100; n++) {
            List<Line> lines = new ArrayList<>();
            for (int k = random.nextInt(30); k >= 0; k--) {
                lines.add(new Line(
                        Anchor.values()[random.nextInt(5)],
                        random.nextDouble(-9000, 9000),
                        random.nextInt(1, 900),
                        random.nextDouble(0, 100),
                        new Settings(
                                random.nextDouble(0.0002, 30), random.nextDouble(0.7, 192), random.nextInt(50, 50_000)),
                        FileFormat.values()[random.nextInt(3)],
                        random.nextBoolean(),
                        List.of("beads", "a, \"b\"", "", "Länge").get(random.nextInt(4))));
            }
            Script read = ScriptFile.read(ScriptFile.write(new Script(lines)))
                    .script()
                    .orElseThrow();
            assertThat(read.lines()).hasSameSizeAs(lines);
            for (int i = 0; i < lines.size(); i++) {
                Line was = lines.get(i);
                Line is = read.lines().get(i);
                assertThat(is.offsetSeconds()).isCloseTo(was.offsetSeconds(), within(0.00051));
                assertThat(is.pauseSeconds()).isCloseTo(was.pauseSeconds(), within(0.00051));
                assertThat(is.settings()).isEqualTo(was.settings());
                assertThat(is.from()).isEqualTo(was.from());
                assertThat(is.frames()).isEqualTo(was.frames());
                assertThat(is.format()).isEqualTo(was.format());
                assertThat(is.filtered()).isEqualTo(was.filtered());
                assertThat(is.what()).isEqualTo(was.what());
            }
        }
    }

    @Test
    void a_line_is_read() {
        Line l = ScriptFile.read(HEAD + GOOD).script().orElseThrow().lines().get(0);
        assertThat(l.from()).isEqualTo(Anchor.C2);
        assertThat(l.offsetSeconds()).isEqualTo(-12.5);
        assertThat(l.frames()).isEqualTo(3);
        assertThat(l.pauseSeconds()).isEqualTo(0.4);
        assertThat(l.settings()).isEqualTo(new Settings(0.00125, 8, 200));
        assertThat(l.filtered()).isTrue();
        assertThat(ScriptFile.read(HEAD + GOOD.replace(",on,", ",off,"))
                        .script()
                        .orElseThrow()
                        .lines()
                        .get(0)
                        .filtered())
                .isFalse();
    }

    /** What cannot be read is named with its line, its column and what is allowed. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "c5,0,1,0,0.01,8,200,raw,on,x | contact | c1, c2, max, c3, c4",
                "c2,soon,1,0,0.01,8,200,raw,on,x | offset_s | 10800",
                "c2,20000,1,0,0.01,8,200,raw,on,x | offset_s | 10800",
                "c2,0,0,0,0.01,8,200,raw,on,x | frames | 1 to 1000",
                "c2,0,1,-1,0.01,8,200,raw,on,x | pause_s | 0 to 3600",
                "c2,0,1,0,1e9,8,200,raw,on,x | shutter_s | 14400",
                "c2,0,1,0,0.01,0,200,raw,on,x | aperture | 0.7 to 192",
                "c2,0,1,0,0.01,8,NaN,raw,on,x | iso | 25 to 819200",
                "c2,0,1,0,0.01,8,200,tiff,on,x | format | raw, raw-and-jpeg, jpeg",
                "c2,0,1,0,0.01,8,200,raw,perhaps,x | filter | on, off"
            })
    void what_is_not_known_is_refused_with_its_line(String line, String column, String allowed) {
        ScriptFile.Read read = ScriptFile.read(HEAD + GOOD + "\n" + line);
        assertThat(read.script()).isEmpty();
        assertThat(read.problems()).singleElement().satisfies(p -> {
            assertThat(p.line()).isEqualTo(3);
            assertThat(p.words()).startsWith(column + " ").contains(allowed);
        });
    }

    @Test
    void a_file_of_another_kind_is_refused() {
        assertThat(ScriptFile.read("").problems())
                .singleElement()
                .satisfies(p -> assertThat(p.words()).contains("names the columns"));
        assertThat(ScriptFile.read("shoot,at,once\n" + GOOD).problems().get(0).line())
                .isEqualTo(1);
        assertThat(ScriptFile.read(HEAD + "c2,0,1").problems().get(0).words()).contains("3 fields");
        assertThat(ScriptFile.read(HEAD + "c2,0,1,0,0.01,8,200,raw,on,\"never closed")
                        .script()
                        .isPresent())
                .isIn(true, false);
        assertThat(ScriptFile.read(HEAD + GOOD.replace("beads", "x".repeat(61)))
                        .problems()
                        .get(0)
                        .words())
                .contains("60");
    }

    /** A hundred thousand lines are turned away before they are read. */
    @Test
    void too_long_a_file_is_refused() {
        ScriptFile.Read lines = ScriptFile.read(HEAD + "c2,0,1,0,1,8,200,raw,on,x\n".repeat(2001));
        assertThat(lines.script()).isEmpty();
        assertThat(lines.problems().get(0).words()).contains("at most 2000 lines");
        assertThat(ScriptFile.read(HEAD + (GOOD + "\n").repeat(100_000))
                        .problems()
                        .get(0)
                        .words())
                .contains("characters");
        assertThat(ScriptFile.read(HEAD + "c2,0,1,0,1,8,200,raw,on,x\n".repeat(2000))
                        .script())
                .isPresent();
        assertThat(ScriptFile.read(HEAD + "c9,0,1,0,1,8,200,raw,on,x\n".repeat(500))
                        .problems())
                .hasSize(20);
    }
}
