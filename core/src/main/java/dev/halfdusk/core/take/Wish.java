package dev.halfdusk.core.take;

import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Named;
import dev.halfdusk.core.night.Asked;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.night.Showing;
import dev.halfdusk.core.night.Sight;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** When a take should be: at a time, between two, when something stands over a mark, or as the sky has it. */
public sealed interface Wish {

    Kind kind();

    /** Of the sky: the sight one comes for, and how dark and high. */
    Asked asked();

    Wish asking(Asked other);

    /** The windows of the night, and what is best in them, whatever the length of the take. */
    When when(Circumstances c);

    /** It opens at a time. */
    record At(LocalTime clock, Asked asked) implements Wish {

        @Override
        public Kind kind() {
            return Kind.FIXED;
        }

        @Override
        public Wish asking(Asked other) {
            return new At(clock, other);
        }

        @Override
        public When when(Circumstances c) {
            Night night = night(c);
            Instant at = Night.at(night.date(), clock, night.zone());
            return new When(List.of(new Interval(at, at)), Optional.of(at), Anchor.FIXED);
        }
    }

    /** Between two times of a night; never where the second lies before the first. */
    record Between(LocalTime first, LocalTime last, Asked asked) implements Wish {

        @Override
        public Kind kind() {
            return Kind.WINDOW;
        }

        @Override
        public Wish asking(Asked other) {
            return new Between(first, last, other);
        }

        @Override
        public When when(Circumstances c) {
            Night night = night(c);
            Instant begins = Night.at(night.date(), first, night.zone());
            Instant ends = Night.at(night.date(), last, night.zone());
            return begins.isBefore(ends) ? new When(List.of(new Interval(begins, ends)), Optional.empty()) : When.NEVER;
        }
    }

    /** When the sight or the moon stands over a mark. */
    record Over(Kind kind, Named named, Asked asked) implements Wish {

        public Over {
            if (!kind.marked()) {
                throw new IllegalArgumentException("a wish " + kind.words + " is over no mark");
            }
        }

        @Override
        public Wish asking(Asked other) {
            return new Over(kind, named, other);
        }

        @Override
        public When when(Circumstances c) {
            return c.mark(named.id()).map(m -> SkyWindows.over(this, m, c)).orElse(When.NEVER);
        }
    }

    /** As the sky has it. */
    record BySky(Kind kind, Asked asked) implements Wish {

        public BySky {
            if (kind.timed()) {
                throw new IllegalArgumentException("a wish for a time needs the time");
            }
            if (kind.marked()) {
                throw new IllegalArgumentException("a wish over a mark needs the mark");
            }
        }

        @Override
        public Wish asking(Asked other) {
            return new BySky(kind, other);
        }

        @Override
        public When when(Circumstances c) {
            return SkyWindows.of(this, c);
        }
    }

    /** The ways to say it. */
    public enum Kind {
        FIXED("at a time"),
        WINDOW("between two times"),
        DARK("while it is dark, without moon"),
        SIGHT_HIGHEST("when it is highest"),
        ARCH_LOWEST("while the arch is low"),
        BLUE_HOUR("at blue hour, evening"),
        BLUE_MORNING("at blue hour, morning"),
        BEFORE_MOONRISE("before moonrise"),
        SIGHT_OVER_MARK("over a mark"),
        MOON_OVER_MARK("moon over a mark"),
        MOON_UP("while the moon is up"),
        MOON_BALANCED("moon and land about as bright"),
        LUNAR_ECLIPSE("while the moon is eclipsed"),
        SOLAR_ECLIPSE("while the sun is eclipsed");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        /** Whether it happens at an hour that nobody chooses. */
        public boolean given() {
            return this == LUNAR_ECLIPSE || this == SOLAR_ECLIPSE;
        }

        /** Whether its windows follow from where the sight stands. */
        public boolean sighted() {
            return this == SIGHT_HIGHEST || this == SIGHT_OVER_MARK || this == ARCH_LOWEST;
        }

        /** Whether its windows follow from how dark it is. */
        public boolean dark() {
            return sighted() || this == DARK || this == BEFORE_MOONRISE;
        }

        /** Whether it needs the clock of a beginning; one between two times that of an end as well. */
        public boolean timed() {
            return this == FIXED || this == WINDOW;
        }

        /** Whether it needs a mark. */
        public boolean marked() {
            return this == SIGHT_OVER_MARK || this == MOON_OVER_MARK;
        }

        /** Short name for addresses and files. */
        public String key() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }

        /** By a short name, also by one of before, when the core was all that was asked for. */
        public static Optional<Kind> of(String key) {
            String now = key.replaceFirst("^core-(?=highest$|over-mark$)", "sight-");
            return Arrays.stream(values()).filter(k -> k.key().equals(now)).findFirst();
        }
    }

    /** What of a take its best instant is. */
    enum Anchor {
        OPENS,
        MIDDLE,
        CLOSES,
        /** It opens then, and its window is no longer than the take. */
        FIXED
    }

    /**
     * When it may be in a night.
     *
     * @param windows in which a take may open and must close
     * @param best instant; empty where any is as good
     * @param anchor what of the take should be then
     */
    public record When(List<Interval> windows, Optional<Instant> best, Anchor anchor) {

        static final When NEVER = new When(List.of(), Optional.empty());

        public When {
            windows = List.copyOf(windows);
        }

        /** Whose best instant is that of opening. */
        public When(List<Interval> windows, Optional<Instant> best) {
            this(windows, best, Anchor.OPENS);
        }

        /** For a take so long: the windows that hold it, and its best opening. */
        public When lasting(Duration lasts) {
            if (anchor == Anchor.FIXED) {
                Instant at = best.orElseThrow();
                return new When(List.of(new Interval(at, at.plus(lasts))), best);
            }
            List<Interval> enough = windows.stream()
                    .filter(w -> w.length().compareTo(lasts) >= 0)
                    .toList();
            return new When(enough, best.map(t -> opening(t, lasts)));
        }

        private Instant opening(Instant at, Duration lasts) {
            return switch (anchor) {
                case MIDDLE -> at.minus(lasts.dividedBy(2));
                case CLOSES -> at.minus(lasts);
                default -> at;
            };
        }
    }

    static Wish of(Kind kind) {
        return new BySky(kind, Asked.USUAL);
    }

    /** When a sight is highest. */
    static Wish highest(Asked asked) {
        return new BySky(Kind.SIGHT_HIGHEST, asked);
    }

    static Wish at(LocalTime clock) {
        return new At(clock, Asked.USUAL);
    }

    static Wish between(LocalTime from, LocalTime to) {
        return new Between(from, to, Asked.USUAL);
    }

    static Wish over(Kind kind, Named mark) {
        return new Over(kind, mark, Asked.USUAL);
    }

    /**
     * As forms and files say it; what its kind does not ask for is passed over.
     *
     * @throws IllegalArgumentException for one that lacks its time or mark
     */
    static Wish of(Kind kind, Optional<LocalTime> from, Optional<LocalTime> to, Optional<Named> mark, Asked asked) {
        if (kind == Kind.FIXED && from.isPresent()) {
            return new At(from.get(), asked);
        }
        if (kind == Kind.WINDOW && from.isPresent() && to.isPresent()) {
            return new Between(from.get(), to.get(), asked);
        }
        return kind.marked() && mark.isPresent() ? new Over(kind, mark.get(), asked) : new BySky(kind, asked);
    }

    /** The clock of a fixed time, or of a window's begin. */
    default Optional<LocalTime> from() {
        return this instanceof At at
                ? Optional.of(at.clock)
                : this instanceof Between between ? Optional.of(between.first) : Optional.empty();
    }

    /** The clock of a window's end. */
    default Optional<LocalTime> to() {
        return this instanceof Between between ? Optional.of(between.last) : Optional.empty();
    }

    /** Over which something should stand. */
    default Optional<Named> mark() {
        return this instanceof Over over ? Optional.of(over.named) : Optional.empty();
    }

    /** "the core over a mark: Needle Arch". */
    default String words() {
        String clocks =
                from().map(f -> ": " + f + to().map(t -> " to " + t).orElse("")).orElse("");
        Sight sight = asked().sight();
        String what = switch (kind()) {
            case SIGHT_HIGHEST -> "when " + sight.name() + sight.verb(" is", " are") + " highest";
            case SIGHT_OVER_MARK -> sight.bare() + " over a mark";
            default -> kind().words();
        };
        boolean usual = !kind().dark() || asked().dark().equals(Asked.USUAL.dark());
        String dark = usual ? "" : ", " + asked().dark().words();
        return what + clocks + mark().map(m -> ": " + m.name()).orElse("") + dark;
    }

    /** The same, of a mark that may be called otherwise by now. */
    default Wish called(Circumstances c) {
        return mark().flatMap(m -> c.mark(m.id())
                        .map(now -> over(kind(), new Named(m.id(), now.name())).asking(asked())))
                .orElse(this);
    }

    /** The night as dark as it asks. */
    default Night night(Circumstances c) {
        return asked().in(c.night());
    }

    /** What is seen of its sight in the night. */
    default Showing showing(Circumstances c) {
        return asked().showing(c.night());
    }
}
