package dev.halfdusk.app.kit;

import dev.halfdusk.app.db.tables.records.GearRecord;
import dev.halfdusk.core.optics.Gear;
import dev.halfdusk.core.optics.Support;

/** Between a piece of gear and the columns of its sort; those of the other sorts are empty. */
final class GearColumns {

    private GearColumns() {}

    static Gear read(GearRecord r) {
        return switch (Gear.Sort.valueOf(r.getKind())) {
            case SUPPORT -> new Support(Support.Kind.valueOf(r.getSupport()), r.getErrorArcsecPerMin());
            case TELECONVERTER -> new Gear.Teleconverter(r.getFactor());
            case FILTER -> new Gear.Filter(r.getStops());
            case BATTERY -> new Gear.Battery(r.getFrames(), r.getMinutes());
            case CARD -> new Gear.Card(r.getGigabytes(), r.getWriteMbPerS());
            case RELEASE -> new Gear.Release(r.getReleaseWords());
            case EXTRA -> new Gear.Extra();
        };
    }

    static void fill(GearRecord r, Gear gear) {
        Support support = gear instanceof Support s ? s : null;
        Gear.Battery battery = gear instanceof Gear.Battery b ? b : null;
        Gear.Card card = gear instanceof Gear.Card c ? c : null;
        r.setSupport(support == null ? null : support.kind().name());
        r.setErrorArcsecPerMin(support == null ? null : support.errorArcsecPerMinute());
        r.setFactor(gear instanceof Gear.Teleconverter t ? t.factor() : null);
        r.setStops(gear instanceof Gear.Filter f ? f.stops() : null);
        r.setFrames(battery == null ? null : battery.frames());
        r.setMinutes(battery == null ? null : battery.minutes());
        r.setGigabytes(card == null ? null : card.gigabytes());
        r.setWriteMbPerS(card == null ? null : card.megabytesPerSecond());
        r.setReleaseWords(gear instanceof Gear.Release r2 ? r2.words() : null);
    }
}
