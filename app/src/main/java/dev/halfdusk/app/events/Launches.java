package dev.halfdusk.app.events;

import dev.halfdusk.core.fireworks.FiringPoint;
import dev.halfdusk.core.fireworks.Sound;
import dev.halfdusk.core.fireworks.Trainer;
import dev.halfdusk.core.measure.Numbers;

/** Launches of a round, for the trainer's script. */
public final class Launches {

    private Launches() {}

    /** Fires, flies, shows, shell, and last how late its burst is heard. */
    public static String of(Trainer round, FiringPoint from, double celsius) {
        StringBuilder text = new StringBuilder();
        for (Trainer.Launch l : round.launches()) {
            text.append(text.length() == 0 ? "" : ";")
                    .append(Numbers.plain(l.fires(), 3))
                    .append(',')
                    .append(Numbers.plain(l.shell().flightSeconds(), 3))
                    .append(',')
                    .append(Numbers.plain(l.shell().showSeconds(), 3))
                    .append(',')
                    .append(Numbers.plain(l.shell().mm(), 0))
                    .append(',')
                    .append(Numbers.plain(Sound.delaySeconds(from.slantM(l.shell()), celsius), 3));
        }
        return text.toString();
    }
}
