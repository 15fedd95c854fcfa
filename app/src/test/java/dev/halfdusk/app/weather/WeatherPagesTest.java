package dev.halfdusk.app.weather;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.doAnswer;
import static org.mockito.Mockito.doReturn;
import static org.mockito.Mockito.doThrow;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import dev.halfdusk.app.Ask;
import dev.halfdusk.app.StoringTest;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.weather.Forecast;
import dev.halfdusk.core.weather.WeatherHour;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mockito.Mockito;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockMultipartFile;

/** The panel of a night's weather, with a service that says what each test wants. The clock stands at 2027-06-01T18:00Z. */
class WeatherPagesTest extends StoringTest {

    private static final Instant NOW = Instant.parse("2027-06-01T18:00:00Z");
    private static final String HEAD =
            "time,low_cloud_percent,middle_cloud_percent,high_cloud_percent,wind_m_s,temperature_c,humidity_percent\n";

    @Autowired
    private ForecastService service;

    private long id;
    private String path;

    @AfterEach
    void forget() {
        Mockito.reset(service);
    }

    @BeforeEach
    void place() {
        id = made.coast("Cove").id();
        path = "/nights/2027-06-01/weather";
    }

    private void serviceSays(double cloud, double celsius) {
        serviceSays(cloud, celsius, NOW.minusSeconds(3600));
    }

    private void serviceSays(double cloud, double celsius, Instant issued) {
        doAnswer(asked -> {
                    Interval span = asked.getArgument(1);
                    return Optional.of(new Forecast(
                            Forecast.Source.SERVICE,
                            issued,
                            java.util.stream.LongStream.range(-1, 14)
                                    .mapToObj(h -> new WeatherHour(
                                            span.from()
                                                    .truncatedTo(java.time.temporal.ChronoUnit.HOURS)
                                                    .plusSeconds(3600 * h),
                                            cloud,
                                            0,
                                            0,
                                            1,
                                            celsius,
                                            95))
                                    .toList()));
                })
                .when(service)
                .forecast(any(), any());
    }

    private String page() throws Exception {
        return Ask.ok(web, get(path).param("place", "" + id));
    }

    @Test
    void a_forecast_leads_to_consequences() throws Exception {
        serviceSays(10, 0);
        assertThat(page())
                .contains("Clearest from 21:00", "Dew on the front element is likely from 21:00")
                .contains("batteries give about 80 %", "a tripod stands steady")
                .doesNotContain("stale");
    }

    @Test
    void a_service_that_is_down_is_named_and_nothing_breaks() throws Exception {
        doThrow(new ForecastService.Unreachable("down")).when(service).forecast(any(), any());
        assertThat(page()).contains("cannot be reached").doesNotContain("hour by hour");
    }

    @Test
    void a_slow_service_is_not_waited_for() throws Exception {
        AtomicBoolean answered = slow();
        assertThat(page()).contains("did not answer within 2 s");
        assertThat(answered).isFalse();
    }

    /** A service that answers after longer than any page may take; whether it has. */
    private AtomicBoolean slow() {
        AtomicBoolean answered = new AtomicBoolean();
        doAnswer(asked -> {
                    Thread.sleep(10_000);
                    answered.set(true);
                    return Optional.empty();
                })
                .when(service)
                .forecast(any(), any());
        return answered;
    }

    @Test
    void no_forecast_reaches_a_far_night() throws Exception {
        doReturn(Optional.empty()).when(service).forecast(any(), any());
        assertThat(page()).contains("No forecast reaches this night yet");
    }

    @Test
    void an_entry_by_hand_stands_beside_the_service_and_can_be_forgotten() throws Exception {
        serviceSays(90, 12);
        page();
        web.perform(post(path + "/hand?place=" + id + "&low=0&middle=5&high=0&wind=9&temperature=10,5&humidity=60"))
                .andExpect(redirectedUrl("/nights/2027-06-01?place=" + id + "#weather"));
        assertThat(page()).contains("The sources contradict each other at 21:00", "find shelter", "your own entry");
        web.perform(post(path + "/forget?place=" + id + "&source=hand"));
        assertThat(page()).doesNotContain("contradict");
    }

    @Test
    void an_impossible_entry_is_kept_and_answered() throws Exception {
        serviceSays(0, 10);
        assertThat(Ask.refused(web, post(path + "/hand?place=" + id + "&low=120&wind=breezy")))
                .contains("0 to 100 %", "value=\"120\"", "is not a number. Allowed: 0 to 75 m/s");
    }

    @Test
    void csv_and_json_are_imported_with_their_gaps() throws Exception {
        doThrow(new ForecastService.Unreachable("down")).when(service).forecast(any(), any());
        String semicolons = HEAD.replace(',', ';') + "2027-06-01T23:00;10;0;0;2,5;11,5;80\n";
        assertThat(Ask.ok(
                        web,
                        multipart(path + "/import")
                                .file(new MockMultipartFile("file", semicolons.getBytes(StandardCharsets.UTF_8)))
                                .param("place", "" + id)))
                .contains("1 hour taken, from Tue 1 Jun, 23:00")
                .doesNotContain("None of them belongs");
        assertThat(page()).contains("of 10 hours there is no forecast").contains("11.5");
        String json = "[{\"time\":\"2027-06-01T22:00:00Z\",\"low_cloud_percent\":70,\"middle_cloud_percent\":0,"
                + "\"high_cloud_percent\":0,\"wind_m_s\":2,\"temperature_c\":13,\"humidity_percent\":70}]";
        web.perform(post(path + "/import").param("place", "" + id).param("forecast", json))
                .andExpect(status().isOk());
        web.perform(post(path + "/import").param("place", "" + id).param("forecast", json.replace("06-01", "07-01")))
                .andExpect(content().string(containsString("None of them belongs to this night")));
        web.perform(multipart(path + "/import")
                        .file(new MockMultipartFile("file", json.getBytes(StandardCharsets.UTF_16)))
                        .param("place", "" + id))
                .andExpect(status().isOk());
        assertThat(page()).contains("70 / 0 / 0").doesNotContain("10 / 0 / 0");
    }

    /** A sequence is planned while the service sleeps: it answers without it, and does not ask again for a while. */
    @Test
    void a_sequence_does_not_wait_for_a_slow_service() throws Exception {
        AtomicBoolean answered = slow();
        web.perform(get("/sequences?rig=1&night=2027-06-02&minute=660").param("place", "" + id))
                .andExpect(status().isOk());
        assertThat(answered).isFalse();
        Mockito.clearInvocations(service);
        for (int i = 0; i < 3; i++) {
            web.perform(get("/sequences?rig=1&night=2027-06-02&minute=66" + i).param("place", "" + id))
                    .andExpect(status().isOk());
        }
        Mockito.verifyNoInteractions(service);
    }

    /** Typed at 18:00, said by the service an hour before or after: the later counts in a plan. */
    @ParameterizedTest
    @CsvSource({"-3600, 71 % of cloud", "3600, 88 % of cloud"})
    void the_newest_is_believed(long issued, String counts) throws Exception {
        serviceSays(88, 12, NOW.plusSeconds(issued));
        page();
        web.perform(post(path + "/hand?place=" + id + "&low=71&middle=0&high=0&wind=1&temperature=12&humidity=60"));
        String sequence =
                Ask.ok(web, get("/sequences?rig=1&night=2027-06-01&minute=660").param("place", "" + id));
        assertThat(sequence).contains(counts);
        assertThat(sequence.contains("71 %") && sequence.contains("88 %")).isFalse();
    }

    /** The service is not asked about a night in seven weeks; what was imported for it counts in a sequence all the same. */
    @Test
    void what_was_imported_for_a_far_night_counts() throws Exception {
        String json = "[{\"time\":\"2027-07-20T22:00:00Z\",\"low_cloud_percent\":83,\"middle_cloud_percent\":0,"
                + "\"high_cloud_percent\":0,\"wind_m_s\":2,\"temperature_c\":17,\"humidity_percent\":70}]";
        web.perform(post("/nights/2027-07-20/weather/import")
                        .param("place", "" + id)
                        .param("forecast", json))
                .andExpect(status().isOk());
        Mockito.clearInvocations(service);
        assertThat(Ask.ok(
                        web, get("/sequences?rig=1&night=2027-07-20&minute=660").param("place", "" + id)))
                .contains("83 % of cloud");
        Mockito.verifyNoInteractions(service);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "2027-06-01T23:00,10,0,0,2,11,0|Line 2: humidity 0 is outside 1 to 100 %",
                "yesterday,10,0,0,2,11,50|Line 2: \u201cyesterday\u201d is not a time",
                "2027-06-01T23:00,x,0,0,2,11,50|Line 2: low_cloud_percent \u201cx\u201d is not a number",
                "2027-06-01T23:00,1,0,0|Line 2: wind_m_s",
            })
    void a_bad_line_is_named_and_nothing_is_taken(String line, String answer) throws Exception {
        doReturn(Optional.empty()).when(service).forecast(any(), any());
        assertThat(Ask.refused(
                        web, post(path + "/import").param("place", "" + id).param("forecast", HEAD + line)))
                .contains(answer, "Nothing was taken");
        assertThat(page()).doesNotContain("hour by hour");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "'time,wind'|the column low_cloud_percent is missing",
                "'[{]'|this is not JSON",
                "'{\"a\":1}'|a list of hours",
                "DEEP|nested too deeply",
                "''|Paste a forecast",
            })
    void other_files_are_refused(String text, String answer) throws Exception {
        doReturn(Optional.empty()).when(service).forecast(any(), any());
        assertThat(Ask.refused(
                        web,
                        post(path + "/import")
                                .param("place", "" + id)
                                .param("forecast", text.replace("DEEP", "[".repeat(3000)))))
                .contains(answer)
                .doesNotContain("Exception");
        assertThat(Ask.refused(
                        web,
                        multipart(path + "/import")
                                .file(new MockMultipartFile("file", new byte[] {(byte) 0xff, (byte) 0xfe, 0x20}))
                                .param("place", "" + id)))
                .contains("UTF-8");
    }

    @Test
    void an_old_forecast_is_stale() throws Exception {
        doAnswer(asked -> Optional.of(new Forecast(
                        Forecast.Source.SERVICE,
                        NOW.minusSeconds(13 * 3600),
                        List.of(new WeatherHour(NOW.plusSeconds(4 * 3600), 0, 0, 0, 1, 10, 60)))))
                .when(service)
                .forecast(any(), any());
        assertThat(page()).contains("older than 12 hours").contains("stale");
    }
}
