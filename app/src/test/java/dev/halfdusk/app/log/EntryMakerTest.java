package dev.halfdusk.app.log;

import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import dev.halfdusk.app.outings.Outing;
import dev.halfdusk.app.outings.OutingPlanner;
import dev.halfdusk.app.outings.Outings;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.core.sky.Site;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

class EntryMakerTest {

    /** Planning a night takes a while after the start, and nobody may be refused for it. */
    @Test
    void a_night_is_reckoned_before_the_database_is_held() {
        PlatformTransactionManager database = mock();
        Place place = Place.at("Coast", new Site(37.6, -8.8, 5), ZoneId.of("Europe/Lisbon"));
        Outing over = Outing.fresh("Over", place, LocalDate.parse("2027-05-01"));
        Outings outings = mock();
        OutingPlanner planner = mock();
        when(outings.find(7)).thenReturn(Optional.of(over));
        when(planner.planned(over)).thenThrow(new IllegalStateException("being reckoned"));
        EntryMaker maker = new EntryMaker(
                mock(), mock(), outings, mock(), planner, new TransactionTemplate(database), Clock.systemUTC());
        assertThatThrownBy(() -> maker.write(7)).hasMessage("being reckoned");
        verify(database, never()).getTransaction(any());
        maker.stop();
    }
}
