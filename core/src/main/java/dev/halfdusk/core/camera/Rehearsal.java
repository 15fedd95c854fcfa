package dev.halfdusk.core.camera;

import dev.halfdusk.core.camera.Camera.Fault;
import dev.halfdusk.core.measure.Instants;
import dev.halfdusk.core.measure.Range;
import dev.halfdusk.core.optics.FileFormat;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.Rig;
import dev.halfdusk.core.optics.Settings;
import dev.halfdusk.core.sequence.Power;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.weather.WeatherHour;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * Several simulated bodies that run their programs together, with whatever goes wrong on the way. It has no clock: told an instant it works
 * out all that happened until then, the same every time, so that it need not be kept while nobody looks.
 *
 * @param begins when the cameras are switched on
 * @param happenings in any order
 */
public record Rehearsal(List<Part> parts, Instant begins, List<Happening> happenings) {

    /** Who sends the shots. */
    static final String COMPUTER = "script";

    private static final String OTHER = "another controller";

    /** Files copied from a body keep it busy for so long. */
    public static final Duration COPYING = Duration.ofSeconds(45);

    /**
     * A camera with its program.
     *
     * @param program empty where nothing is sent to it
     * @param clockAheadSeconds by which its clock is wrong
     * @param aperture its lens is set to
     */
    public record Part(
            String name,
            Rig rig,
            Optional<Program> program,
            double clockAheadSeconds,
            double aperture,
            Optional<Gear.Battery> battery,
            Optional<Gear.Card> card,
            double celsius) {

        public static final Range CLOCK = new Range("clock offset", -600, 600, " s");

        public Part {
            CLOCK.check(clockAheadSeconds);
            WeatherHour.TEMPERATURE.check(celsius);
        }
    }

    /** What may happen to a camera. */
    public enum Kind {
        FLAT_BATTERY("the battery goes flat"),
        FRESH_BATTERY("a full battery is put in"),
        FULL_CARD("the card is full"),
        EMPTY_CARD("an empty card is put in"),
        WRONG_MODE("the mode dial is turned to automatic"),
        MANUAL("the mode dial is turned to manual"),
        UNPLUGGED("the cable comes off"),
        PLUGGED("the cable is put back"),
        TAKEN_OVER("another controller takes it over"),
        GIVEN_BACK("the other controller lets go"),
        COPYING("files are copied from it"),
        RING_TURNED("the aperture ring is turned");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        public String key() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    /** @param part counted from 0 */
    public record Happening(Instant when, int part, Kind kind) {}

    /**
     * How a camera stands at an instant.
     *
     * @param log one for each shot whose time has come
     * @param inBuffer frames not yet written
     * @param fullest most that ever were
     * @param charge left in its battery, 0 to 1
     * @param writtenMb on its card
     * @param held longest that one battery was in use until now
     */
    public record Standing(
            Part part,
            List<Run.Result> log,
            int inBuffer,
            int fullest,
            double charge,
            double writtenMb,
            Duration held,
            Camera.Mode mode,
            boolean linked) {

        public int lost() {
            return (int) log.stream().filter(r -> r.fate() == Run.Fate.LOST).count();
        }

        public int late() {
            return (int) log.stream().filter(r -> r.fate() == Run.Fate.LATE).count();
        }

        public int taken() {
            return log.size() - lost();
        }

        public Optional<Run.Result> last() {
            return log.isEmpty() ? Optional.empty() : Optional.of(log.get(log.size() - 1));
        }

        /** Gigabytes left on the card, where there is one. */
        public Optional<Double> cardLeftGb() {
            return part.card.map(c -> Math.max(0, c.gigabytes() - writtenMb / 1000));
        }
    }

    public Rehearsal {
        parts = List.copyOf(parts);
        happenings = happenings.stream()
                .sorted(Comparator.comparing(Happening::when))
                .toList();
    }

    /** All cameras at an instant, in their order; nothing has happened before it begins. */
    public List<Standing> at(Instant now) {
        List<Standing> standings = new ArrayList<>();
        for (int i = 0; i < parts.size(); i++) {
            standings.add(new Player(i).until(now.isBefore(begins) ? begins : now));
        }
        return standings;
    }

    /** One camera through its time. */
    private final class Player {

        private final int number;
        private final Part part;
        private final Camera camera;
        private final List<Run.Result> log = new ArrayList<>();
        private int fullest;
        private boolean stopped;
        private Instant batteryIn;
        private Duration held = Duration.ZERO;
        private Optional<Instant> copiedUntil = Optional.empty();

        Player(int number) {
            this.number = number;
            part = parts.get(number);
            Settings first = part.program
                    .map(p -> p.steps().get(0).settings())
                    .orElse(new Settings(
                            1 / 125.0, part.aperture, part.rig.body().response().baseIso()))
                    .withAperture(part.aperture);
            camera = new Camera(
                    part.rig,
                    new Camera.Dials(Camera.Mode.MANUAL, first, FileFormat.RAW, false, 0, 1),
                    begins,
                    Duration.ofNanos(Instants.nanos(part.clockAheadSeconds)));
            part.card.ifPresent(camera::insert);
            part.battery.ifPresent(b -> camera.insert(b, part.celsius));
            camera.connect(COMPUTER);
            batteryIn = begins;
        }

        Standing until(Instant now) {
            List<Program.Shot> shots = part.program.map(Program::shots).orElse(List.of());
            List<Happening> mine =
                    happenings.stream().filter(h -> h.part == number).toList();
            int next = 0;
            for (Program.Shot shot : shots) {
                if (shot.opens().isBefore(begins)) {
                    continue;
                }
                if (shot.opens().isAfter(now)) {
                    break;
                }
                while (next < mine.size() && !mine.get(next).when.isAfter(shot.opens())) {
                    happen(mine.get(next++));
                }
                move(shot.opens());
                shoot(shot);
            }
            while (next < mine.size() && !mine.get(next).when.isAfter(now)) {
                happen(mine.get(next++));
            }
            move(now);
            hold(now);
            return new Standing(
                    part,
                    List.copyOf(log),
                    inBuffer(),
                    fullest,
                    camera.charge(),
                    camera.writtenMb(),
                    held,
                    camera.dials().mode(),
                    camera.connect(COMPUTER) && !camera.has(Fault.LOST_LINK));
        }

        /** Without one that waits for room. */
        private int inBuffer() {
            return Math.min(camera.inBuffer(), part.rig.body().files().bufferFrames());
        }

        private void move(Instant to) {
            if (copiedUntil.filter(t -> !t.isAfter(to)).isPresent()) {
                camera.mend(Fault.BUSY);
                copiedUntil = Optional.empty();
            }
            if (to.isAfter(camera.now())) {
                camera.moveTo(to);
            }
        }

        private void hold(Instant until) {
            Duration now = Duration.between(batteryIn, until);
            held = now.compareTo(held) > 0 && !camera.has(Fault.FLAT_BATTERY) ? now : held;
        }

        private void shoot(Program.Shot shot) {
            if (stopped) {
                lose(shot, "the script has stopped");
                return;
            }
            if (!camera.connect(COMPUTER) || camera.has(Fault.LOST_LINK)) {
                lose(shot, camera.has(Fault.LOST_LINK) ? Fault.LOST_LINK.words() : "another controller holds it");
                return;
            }
            Settings wanted = shot.settings();
            boolean ring = wanted.aperture() != camera.dials().settings().aperture()
                    && !part.rig.lens().electronic();
            if (ring) {
                stopped = true;
                lose(shot, "an aperture was sent to a lens that takes none: the script stopped without a word");
                return;
            }
            if (camera.dials().mode() == Camera.Mode.MANUAL && !camera.send(COMPUTER, wanted)) {
                lose(shot, Fault.BUSY.words());
                return;
            }
            camera.set(camera.dials().with(shot.format()));
            camera.press();
            fullest = Math.max(fullest, inBuffer());
            log.add(Run.result(shot, camera));
        }

        private void lose(Program.Shot shot, String because) {
            log.add(new Run.Result(shot, Run.Fate.LOST, shot.opens(), because));
        }

        private void happen(Happening h) {
            move(h.when);
            switch (h.kind) {
                case FLAT_BATTERY -> {
                    hold(h.when);
                    camera.fail(Fault.FLAT_BATTERY);
                }
                case FRESH_BATTERY -> {
                    hold(h.when);
                    camera.mend(Fault.FLAT_BATTERY);
                    camera.swap();
                    batteryIn = h.when.plusSeconds((long) Power.SWAP_SECONDS);
                    camera.fail(Fault.BUSY);
                    copiedUntil = Optional.of(batteryIn);
                }
                case FULL_CARD -> camera.fail(Fault.FULL_CARD);
                case EMPTY_CARD -> {
                    camera.mend(Fault.FULL_CARD);
                    part.card.ifPresent(camera::insert);
                }
                case WRONG_MODE -> camera.set(camera.dials().with(Camera.Mode.AUTOMATIC));
                case MANUAL -> camera.set(camera.dials().with(Camera.Mode.MANUAL));
                case UNPLUGGED -> camera.fail(Fault.LOST_LINK);
                case PLUGGED -> camera.mend(Fault.LOST_LINK);
                case TAKEN_OVER -> {
                    camera.disconnect(COMPUTER);
                    camera.connect(OTHER);
                }
                case GIVEN_BACK -> camera.disconnect(OTHER);
                case COPYING -> {
                    camera.fail(Fault.BUSY);
                    copiedUntil = Optional.of(h.when.plus(COPYING));
                }
                case RING_TURNED ->
                    camera.set(camera.dials().with(camera.dials().settings().withAperture(turned())));
            }
        }

        /** A stop narrower, or wider where the ring ends. */
        private double turned() {
            double now = camera.dials().settings().aperture();
            double narrowest = part.rig.apertures(part.rig.lens().longestMm()).max();
            return now * 1.4 <= narrowest ? now * 1.4 : now / 1.4;
        }
    }
}
