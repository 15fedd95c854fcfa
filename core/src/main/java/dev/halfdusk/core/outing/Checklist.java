package dev.halfdusk.core.outing;

import dev.halfdusk.core.take.Plan;
import dev.halfdusk.core.take.Take;
import dev.halfdusk.core.weather.WeatherHour;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/** What must be in the bag, from the takes and the weather of a night, each once and with the first reason for it. */
public final class Checklist {

    private static final double COLD_C = 10;
    private static final double FREEZING_C = 0;
    private static final double WINDY_MS = 6;
    private static final double DEW_SPREAD_K = 3;
    private static final Duration LONG = Duration.ofHours(3);
    private static final Duration LOOK = Duration.ofHours(1);

    private Checklist() {}

    /** @param why it is wanted */
    public record Item(String what, String why) {}

    /**
     * @param weather forecast for an instant, where there is one
     * @param usualC temperature where there is none
     */
    public static List<Item> of(Schedule schedule, Function<Instant, Optional<WeatherHour>> weather, double usualC) {
        Map<String, String> items = new LinkedHashMap<>();
        items.put("red lamp, and the white one only for the way", "night vision, other people's frames");
        items.put("phone, charged; somebody knows where you are", "alone in the dark");
        for (Slot slot : schedule.slots()) {
            Plan plan = slot.plan();
            Take take = plan.take();
            items.putIfAbsent(slot.camera() + ", its card empty and battery full", take.name());
            items.putIfAbsent(
                    take.camera().rig().support().tracks() ? "tracker, and its power" : "tripod", take.name());
            take.subject().bag().forEach(what -> items.putIfAbsent(what, take.name()));
            if (slot.program().darks() > 0) {
                items.putIfAbsent("lens cap", "dark frames");
            }
        }
        weather(schedule, weather, usualC, items);
        List<Item> all = new ArrayList<>();
        items.forEach((what, why) -> all.add(new Item(what, why)));
        return List.copyOf(all);
    }

    private static void weather(
            Schedule schedule,
            Function<Instant, Optional<WeatherHour>> weather,
            double usualC,
            Map<String, String> items) {
        if (schedule.slots().isEmpty()) {
            return;
        }
        Instant from = schedule.slots().get(0).prepares().from();
        Instant to = schedule.slots().stream()
                .map(s -> s.runs().to())
                .max(Instant::compareTo)
                .orElse(from);
        double coldest = usualC;
        double wind = 0;
        double spread = Double.POSITIVE_INFINITY;
        for (Instant t = from; !t.isAfter(to); t = t.plus(LOOK)) {
            Optional<WeatherHour> hour = weather.apply(t);
            if (hour.isPresent()) {
                coldest = Math.min(coldest, hour.get().temperatureC());
                wind = Math.max(wind, hour.get().windMs());
                spread = Math.min(spread, hour.get().dewSpreadK());
            }
        }
        if (coldest < COLD_C) {
            items.put("warm clothes, gloves that turn a ring", "cold");
        }
        items.put(coldest < FREEZING_C ? "twice the batteries, kept warm" : "a spare battery", "the indicator lies");
        if (spread < DEW_SPREAD_K) {
            items.put("heater band and its power bank", "dew is likely");
        }
        if (wind > WINDY_MS) {
            items.put("a weight for the tripod's hook", "wind");
        }
        if (Duration.between(from, to).compareTo(LONG) > 0) {
            items.put("water, something to eat, a seat", "a long night");
        }
    }
}
