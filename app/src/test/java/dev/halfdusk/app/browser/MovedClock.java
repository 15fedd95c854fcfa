package dev.halfdusk.app.browser;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;

/** Stands where it was last put. */
final class MovedClock extends Clock {

    private volatile Instant now;

    MovedClock(String now) {
        this.now = Instant.parse(now);
    }

    void to(Instant later) {
        now = later;
    }

    void on(long seconds) {
        now = now.plusSeconds(seconds);
    }

    @Override
    public Instant instant() {
        return now;
    }

    @Override
    public ZoneId getZone() {
        return ZoneOffset.UTC;
    }

    @Override
    public Clock withZone(ZoneId zone) {
        return Clock.fixed(now, zone);
    }
}
