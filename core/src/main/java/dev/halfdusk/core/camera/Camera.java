package dev.halfdusk.core.camera;

import dev.halfdusk.core.measure.Instants;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.CameraBody;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sequence.BodyTiming;
import dev.halfdusk.core.sequence.Power;
import dev.halfdusk.core.weather.WeatherHour;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/**
 * A simulated body: its owner moves it on to an instant, presses, and hears what happened. It has no clock and never sleeps;
 * the same calls always give the same events. It is busy, fills its buffer and writes as {@link BodyTiming} says; a battery gives
 * less in the cold, and is used by frames or by minutes, whichever is more. Not safe for several threads.
 */
public final class Camera {

    /** Where the mode dial stands. */
    public enum Mode {
        /** Its own shutter, up to 30 s. */
        MANUAL,
        /** Open as long as it is held. */
        BULB,
        /** It chooses what it was not told. */
        AUTOMATIC;

        public String words() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** What can be wrong with it at will. */
    public enum Fault {
        FLAT_BATTERY("the battery is flat"),
        FULL_CARD("the card is full"),
        WRONG_MODE("the mode dial stands at automatic"),
        LOST_LINK("the link is lost"),
        BUSY("the body is busy");

        private final String words;

        Fault(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * How it is set.
     *
     * @param drive frames for one pressing: 1, or more in a burst
     * @param delaySeconds that mirror or shutter waits before it opens
     */
    public record Dials(
            Mode mode, Settings settings, FileFormat format, boolean noiseReduction, double delaySeconds, int drive) {

        public static final Range DRIVE = new Range("frames of a burst", 1, 100, "");

        public Dials {
            BodyTiming.DELAY.check(delaySeconds);
            DRIVE.check(drive);
        }

        public Dials with(Settings other) {
            return new Dials(mode, other, format, noiseReduction, delaySeconds, drive);
        }

        public Dials with(FileFormat other) {
            return new Dials(mode, settings, other, noiseReduction, delaySeconds, drive);
        }

        public Dials with(Mode other) {
            return new Dials(other, settings, format, noiseReduction, delaySeconds, drive);
        }
    }

    private final Rig rig;
    private final Duration clockAhead;
    private Dials dials;
    private Instant now;
    private Instant free;
    private Optional<String> controller = Optional.empty();
    private final Set<Fault> faults = EnumSet.noneOf(Fault.class);
    private Optional<Gear.Card> card = Optional.empty();
    private double writtenMb;
    private double reservedMb;
    private Optional<Gear.Battery> battery = Optional.empty();
    private double celsius = 20;
    private Instant since;
    private int framesOfBattery;
    private Event answer;
    private final Deque<Pending> coming = new ArrayDeque<>();
    private Instant writerFree;
    private int inBuffer;
    private final List<Event> events = new ArrayList<>();

    /** Something that will happen: the opening of a delayed frame, a closing, the end of a writing. */
    private record Pending(Instant when, Event.Kind kind, Taken frame) {}

    /**
     * @param now its first instant
     * @param clockAhead by which its own clock is wrong
     */
    public Camera(Rig rig, Dials dials, Instant now, Duration clockAhead) {
        this.rig = rig;
        this.dials = dials;
        this.now = now;
        this.clockAhead = clockAhead;
        free = now;
        writerFree = now;
    }

    /** What its files will say the time is. */
    public Instant clock() {
        return now.plus(clockAhead);
    }

    public Instant now() {
        return now;
    }

    public Dials dials() {
        return dials;
    }

    public Rig rig() {
        return rig;
    }

    public int inBuffer() {
        return inBuffer;
    }

    public double writtenMb() {
        return writtenMb;
    }

    /** What is left in the battery, 0 to 1; 1 where none was put in and it hangs on a cable. */
    public double charge() {
        return battery.map(b -> Math.max(0, 1 - Power.used(b, celsius, framesOfBattery, Instants.seconds(since, now))))
                .orElse(1.0);
    }

    /** What it said to the last pressing: that it opened or will, or why it does not. */
    Event answer() {
        return answer;
    }

    public Camera insert(Gear.Card fresh) {
        card = Optional.of(fresh);
        writtenMb = 0;
        reservedMb = 0;
        return this;
    }

    /** A full battery, in air of a temperature. */
    public Camera insert(Gear.Battery fresh, double airC) {
        battery = Optional.of(fresh);
        celsius = WeatherHour.TEMPERATURE.check(airC);
        since = now;
        framesOfBattery = 0;
        return this;
    }

    /** Sets the dials by hand, as long as it is not exposing. */
    public boolean set(Dials other) {
        if (now.isBefore(free)) {
            return false;
        }
        dials = other;
        return true;
    }

    /**
     * Sets it through the link. A manual lens takes no aperture: then nothing is set, without a word, as on real bodies.
     *
     * @return whether it is now set so
     */
    public boolean send(String from, Settings wanted) {
        if (!controller.equals(Optional.of(from)) || faults.contains(Fault.LOST_LINK)) {
            return false;
        }
        boolean otherAperture = wanted.aperture() != dials.settings().aperture();
        return !(otherAperture && !rig.lens().electronic()) && set(dials.with(wanted));
    }

    /** One controller at a time. */
    public boolean connect(String name) {
        if (controller.isPresent() && !controller.get().equals(name)) {
            return false;
        }
        controller = Optional.of(name);
        return true;
    }

    public void disconnect(String name) {
        controller = controller.filter(c -> !c.equals(name));
    }

    /** Another full battery of the same sort, if there was one. */
    void swap() {
        battery.ifPresent(b -> insert(b, celsius));
    }

    boolean has(Fault fault) {
        return faults.contains(fault);
    }

    public void fail(Fault fault) {
        faults.add(fault);
    }

    public void mend(Fault fault) {
        faults.remove(fault);
    }

    /**
     * Lets time pass.
     *
     * @return what happened meanwhile, in order
     * @throws IllegalArgumentException for an earlier instant
     */
    public List<Event> moveTo(Instant then) {
        if (then.isBefore(now)) {
            throw new IllegalArgumentException("a body cannot be moved back in time");
        }
        while (!coming.isEmpty() && !coming.peekFirst().when.isAfter(then)) {
            happen(coming.pollFirst());
        }
        now = then;
        List<Event> told = List.copyOf(events);
        events.clear();
        return told;
    }

    private void happen(Pending next) {
        now = next.when;
        switch (next.kind) {
            case CLOSED -> events.add(Event.of(Event.Kind.CLOSED, now, next.frame));
            case WRITTEN -> {
                inBuffer--;
                writtenMb += megabytes(next.frame.format());
                events.add(Event.of(Event.Kind.WRITTEN, now, next.frame));
            }
            default -> events.add(Event.of(Event.Kind.OPENED, now, next.frame));
        }
    }

    /** Presses the release now; in a burst, as often as the drive says. */
    public void press() {
        for (int i = 0; i < dials.drive(); i++) {
            Optional<String> refusal = refusal(i == 0);
            if (refusal.isPresent()) {
                answer = new Event(Event.Kind.REFUSED, now, Optional.empty(), refusal.get());
                events.add(answer);
                return;
            }
            expose(i == 0 ? now : free);
        }
    }

    private Optional<String> refusal(boolean first) {
        if (!faults.isEmpty()) {
            return Optional.of(faults.iterator().next().words());
        }
        if (first && now.isBefore(free)) {
            return Optional.of(Fault.BUSY.words());
        }
        double seconds = dials.settings().seconds();
        if (dials.mode() == Mode.AUTOMATIC) {
            return Optional.of(Fault.WRONG_MODE.words());
        }
        if (dials.mode() == Mode.MANUAL && seconds > CameraBody.LONGEST_OWN_S) {
            return Optional.of("its own shutter ends at 30 s: it needs bulb");
        }
        if (card.isPresent()
                && reservedMb + megabytes(dials.format()) > card.get().gigabytes() * 1000) {
            return Optional.of(Fault.FULL_CARD.words());
        }
        double closing = pace().delaySeconds() + seconds;
        if (battery.isPresent()
                && !Power.lasts(battery.get(), celsius, framesOfBattery + 1, Instants.seconds(since, now) + closing)) {
            return Optional.of(Fault.FLAT_BATTERY.words());
        }
        return Optional.empty();
    }

    private double megabytes(FileFormat format) {
        return format.megabytes(rig.body().files());
    }

    private BodyTiming pace() {
        BodyTiming pace = BodyTiming.of(rig.body(), dials.settings().seconds(), dials.format(), card);
        return new BodyTiming(
                pace.exposureSeconds(),
                dials.noiseReduction(),
                dials.delaySeconds(),
                pace.fileMb(),
                pace.bufferFrames(),
                pace.writeMbPerSecond());
    }

    private void expose(Instant asked) {
        BodyTiming pace = pace();
        Instant pressed = asked;
        if (inBufferAt(asked) >= pace.bufferFrames()) {
            pressed = roomIn(pace.bufferFrames());
        }
        Instant opens = Instants.after(pressed, dials.delaySeconds());
        Instant closes = Instants.after(opens, dials.settings().seconds());
        Taken frame =
                new Taken(opens, opens.plus(clockAhead), dials.settings(), dials.format(), pressed.isAfter(asked));
        free = Instants.after(pressed, pace.busySeconds());
        Instant begins = free.isAfter(writerFree) ? free : writerFree;
        writerFree = Instants.after(begins, pace.writeSeconds());
        inBuffer++;
        reservedMb += pace.fileMb();
        framesOfBattery++;
        answer = Event.of(Event.Kind.OPENED, opens, frame);
        if (opens.isAfter(now)) {
            plan(new Pending(opens, Event.Kind.OPENED, frame));
        } else {
            events.add(answer);
        }
        plan(new Pending(closes, Event.Kind.CLOSED, frame));
        plan(new Pending(writerFree, Event.Kind.WRITTEN, frame));
    }

    private int inBufferAt(Instant when) {
        int written = 0;
        for (Pending p : coming) {
            written += p.kind == Event.Kind.WRITTEN && !p.when.isAfter(when) ? 1 : 0;
        }
        return inBuffer - written;
    }

    /** When so few frames are in the buffer that one more has room. */
    private Instant roomIn(int size) {
        int left = inBuffer;
        for (Pending p : coming) {
            left -= p.kind == Event.Kind.WRITTEN ? 1 : 0;
            if (left < size) {
                return p.when;
            }
        }
        throw new IllegalStateException("a full buffer is always written");
    }

    /** Kept in order of time; what was planned first happens first. */
    private void plan(Pending next) {
        Deque<Pending> later = new ArrayDeque<>();
        while (!coming.isEmpty() && coming.peekLast().when.isAfter(next.when)) {
            later.addFirst(coming.pollLast());
        }
        coming.addLast(next);
        coming.addAll(later);
    }
}
