package dev.halfdusk.app.practice;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import dev.halfdusk.app.PageTest;
import dev.halfdusk.app.deleted.Deletions;
import dev.halfdusk.app.practice.Learners.Drill;
import dev.halfdusk.app.practice.Learners.Learner;
import dev.halfdusk.app.web.Imported;
import dev.halfdusk.core.practice.Measured;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Consumer;
import org.junit.jupiter.api.Test;

/** What came of practice, given away and taken in again. */
@PageTest
record PracticeFileTest(PracticeFile file, Learners learners, Deletions deletions, ObjectMapper json) {

    private static final Instant AT = Instant.parse("2027-03-01T20:00:00Z");

    private Learner someone(String name) {
        Learner l = learners.named(name);
        Learners.Round passed = learners.begin(l, "half-moon", AT);
        learners.end(passed.id(), true, 4, AT.plusSeconds(300));
        Learners.Round givenUp = learners.begin(l, "thin-moon", AT.plusSeconds(400));
        learners.end(givenUp.id(), false, 9, AT.plusSeconds(800));
        learners.begin(l, "full-moon", AT.plusSeconds(900)); // goes on
        learners.add(l, new Drill(Drill.Kind.BLIND, AT.plusSeconds(1000), 6, 5, 1.25, 41.5));
        return l;
    }

    private ObjectNode alone(String name) {
        ObjectNode tree = file.tree().orElseThrow();
        ArrayNode all = (ArrayNode) tree.get("learners");
        for (int i = all.size() - 1; i >= 0; i--) {
            if (!all.get(i).get("name").asText().equals(name)) {
                all.remove(i);
            }
        }
        return tree;
    }

    @Test
    void what_is_written_is_read_again_under_another_name() {
        someone("Heron");
        ObjectNode tree = alone("Heron");
        assertThat(file.read(tree, Imported.Wanted.NEW_AND_CHANGED))
                .containsExactly(Imported.of("practice", "Heron", Imported.State.EQUAL));
        ((ObjectNode) tree.get("learners").get(0)).put("name", "Egret");
        assertThat(file.read(tree, Imported.Wanted.NOTHING))
                .containsExactly(Imported.of("practice", "Egret", Imported.State.NEW));
        assertThat(learners.all()).extracting(Learner::name).doesNotContain("Egret");
        file.read(tree, Imported.Wanted.NEW);
        Learner egret = learners.named("Egret");
        assertThat(learners.rounds(egret))
                .extracting(Learners.Round::lesson, Learners.Round::passed, Learners.Round::extra)
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple("half-moon", true, 4),
                        org.assertj.core.groups.Tuple.tuple("thin-moon", false, 9));
        assertThat(learners.rounds(egret).get(0).began()).isEqualTo(AT);
        assertThat(learners.rounds(egret).get(0).ended()).contains(AT.plusSeconds(300));
        assertThat(learners.drills(egret))
                .containsExactly(new Drill(Drill.Kind.BLIND, AT.plusSeconds(1000), 6, 5, 1.25, 41.5));
        assertThat(alone("Egret").get("learners").get(0))
                .isEqualTo(tree.get("learners").get(0));
    }

    /** A real clock counts nanoseconds: what went through a file is still the same, and comes no second time. */
    @Test
    void times_between_milliseconds_are_the_same_again() throws Exception {
        Learner l = learners.named("Curlew");
        for (String at : List.of(
                "2027-05-01T20:00:00.123456789Z", "2027-05-02T20:00:00.999999999Z", "2027-05-03T20:00:00.000001Z")) {
            Instant began = Instant.parse(at);
            learners.end(learners.begin(l, "half-moon", began).id(), true, 0, began.plusNanos(1_000_000_001));
            learners.add(l, new Drill(Drill.Kind.BLIND, began.plusNanos(7), 6, 5, 1.25, 41.5));
        }
        JsonNode file = json.readTree(alone("Curlew").toString());
        assertThat(this.file.read(file, Imported.Wanted.NEW_AND_CHANGED))
                .containsExactly(Imported.of("practice", "Curlew", Imported.State.EQUAL));
        assertThat(learners.rounds(l)).hasSize(3);
    }

    /** More of someone who is here is a change; nothing of theirs is taken away, and nothing comes twice. */
    @Test
    void rounds_that_are_missing_are_added_where_that_is_wanted() {
        Learner l = someone("Plover");
        ObjectNode tree = alone("Plover");
        ObjectNode more = tree.deepCopy();
        ObjectNode round =
                (ObjectNode) more.get("learners").get(0).get("rounds").get(0);
        ((ArrayNode) more.get("learners").get(0).get("rounds"))
                .add(round.deepCopy().put("lesson", "gaps"));
        assertThat(file.read(more, Imported.Wanted.NEW))
                .containsExactly(Imported.of("practice", "Plover", Imported.State.CHANGED));
        assertThat(learners.last(l, "gaps")).isEmpty();
        file.read(more, Imported.Wanted.NEW_AND_CHANGED);
        file.read(more, Imported.Wanted.NEW_AND_CHANGED);
        assertThat(learners.rounds(l)).hasSize(4);
    }

    @Test
    void who_was_deleted_comes_back_with_nothing_twice_and_open_frames_stay() {
        Learner l = someone("Whimbrel");
        ObjectNode tree = alone("Whimbrel");
        ((ObjectNode) tree.get("learners").get(0).get("rounds").get(0)).put("lesson", "full-moon");
        long open = learners.last(l, "full-moon").orElseThrow().id();
        Measured nothing = new Measured(Map.of(), Map.of(), List.of(), "", 0);
        learners.add(open, new Learners.Frame(null, Optional.empty(), 0, OptionalDouble.empty(), Map.of(), nothing));
        deletions.delete("learner", l.id());
        file.read(tree, Imported.Wanted.NEW);
        assertThat(learners.all()).contains(l);
        assertThat(learners.rounds(l)).as("three of its own, one of the file").hasSize(4);
        assertThat(learners.drills(l)).hasSize(1);
        assertThat(learners.frames(open)).hasSize(1);
    }

    @Test
    void what_is_no_practice_is_refused_and_nothing_of_it_is_kept() {
        someone("Dunlin");
        ObjectNode good = alone("Dunlin");
        List<Consumer<ObjectNode>> wrong = List.of(
                t -> t.put("version", 9),
                t -> t.remove("learners"),
                t -> of(t).put("name", " "),
                t -> of(t).put("name", "x".repeat(99)),
                t -> of(t).remove("rounds"),
                t -> of(t).put("rounds", "many"),
                t -> round(t).put("lesson", "../secret"),
                t -> round(t).put("began", "1999-01-01T00:00:00Z"),
                t -> round(t).remove("ended"),
                t -> round(t).put("extra", 1_000_000),
                t -> drill(t).put("kind", "deaf"),
                t -> drill(t).put("solved", 7),
                t -> drill(t).put("seconds", -1),
                t -> drill(t).put("tasks", 0));
        for (Consumer<ObjectNode> spoil : wrong) {
            ObjectNode bad = good.deepCopy();
            of(bad).put("name", "Curlew");
            spoil.accept(bad);
            assertThat(file.read(bad, Imported.Wanted.NEW_AND_CHANGED))
                    .as("%s", bad)
                    .singleElement()
                    .satisfies(i -> {
                        assertThat(i.state()).isEqualTo(Imported.State.REFUSED);
                        assertThat(i.why()).isNotBlank().doesNotContain("Exception", "dev.halfdusk");
                    });
        }
        assertThat(learners.all()).extracting(Learner::name).doesNotContain("Curlew");
    }

    private static ObjectNode of(ObjectNode tree) {
        return (ObjectNode) tree.get("learners").get(0);
    }

    private static ObjectNode round(ObjectNode tree) {
        return (ObjectNode) of(tree).get("rounds").get(0);
    }

    private static ObjectNode drill(ObjectNode tree) {
        JsonNode drill = of(tree).get("drills").get(0);
        return (ObjectNode) drill;
    }
}
