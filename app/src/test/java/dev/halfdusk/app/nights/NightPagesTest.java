package dev.halfdusk.app.nights;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import dev.halfdusk.app.Ask;
import dev.halfdusk.app.Made;
import dev.halfdusk.app.PageTest;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.ground.Skyline;
import dev.halfdusk.core.night.YearOfNights;
import dev.halfdusk.core.sky.Site;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.test.web.servlet.MockMvc;

@PageTest
record NightPagesTest(MockMvc web, Made made) {

    private long place(double latitude, double longitude, String zone) {
        return made.place("Somewhere", latitude, longitude, 10, zone).id();
    }

    @ParameterizedTest
    @CsvSource({
        "37.6,-8.8,Europe/Lisbon",
        "90,0,UTC",
        "-90,0,UTC",
        "69.65,18.96,Europe/Oslo",
        "-17.8,180,Pacific/Fiji",
        "-31.5,159,Australia/Lord_Howe"
    })
    void every_place_on_earth_has_a_year(double latitude, double longitude, String zone) throws Exception {
        long id = place(latitude, longitude, zone);
        assertThat(Ask.ok(web, "/nights?place=" + id + "&from=2027-01-01")).contains("January 2027");
        byte[] png = Ask.bytes(web, get("/nights/carpet.png?place=" + id + "&from=2027-01-01"), "image/png");
        assertThat(ImageIO.read(new ByteArrayInputStream(png)).getWidth()).isEqualTo(366);
        web.perform(get("/nights/table?place=" + id + "&from=2027-01-01")).andExpect(status().isOk());
        for (String date : List.of("2027-06-21", "2027-12-21", "2027-03-27")) {
            assertThat(Ask.ok(web, "/nights/" + date + "?place=" + id)).contains("Windows");
        }
    }

    @Test
    void a_column_of_the_carpet_is_a_night() throws Exception {
        long id = place(37.6, -8.8, "Europe/Lisbon");
        assertThat(Ask.ok(web, "/nights?place=" + id + "&from=2027-06-01&column=7"))
                .contains("Tue 8 to Wed 9 June 2027", "takes 1 h");
        web.perform(get("/nights?place=" + id + "&from=2027-06-01&column=-3")).andExpect(status().isOk());
        web.perform(get("/nights?place=" + id + "&from=rubbish&night=rubbish")).andExpect(status().isOk());
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "/nights/2070-01-01?place=1",
                "/nights/2027-02-30?place=1",
                "/nights/2027-06-08?place=98765",
                "/nights/table?place=98765"
            })
    void what_cannot_be_shown_is_not_there(String path) throws Exception {
        web.perform(get(path)).andExpect(status().isNotFound());
    }

    /** An address with a date that cannot be shown is told why; a date that the island skipped is none. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "/nights/1999-05-05?place=%d|1999-05-05 is outside what can be computed: 2000-01-02 to 2059-12-29",
                "/nights?place=%d&from=2060-01-01|2060-01-01 is outside",
                "/nights?place=%d&night=1850-01-01|1850-01-01 is outside",
                "/nights/2060-02-02/weather?place=%d|2060-02-02 is outside",
                "/nights/2011-12-30?place=%d|There was no 2011-12-30 by the clocks of Pacific/Apia",
                "/nights/2011-12-30/weather?place=%d|There was no 2011-12-30"
            })
    void a_date_that_cannot_be_shown_is_told_so(String path, String why) throws Exception {
        long id = place(-13.8, -172, "Pacific/Apia");
        web.perform(get(String.format(path, id)))
                .andExpect(status().isNotFound())
                .andExpect(content().string(containsString(why)));
    }

    @Test
    void a_year_with_a_date_less_is_shown_without_it() throws Exception {
        long id = place(-13.8, -172, "Pacific/Apia");
        assertThat(Ask.ok(web, "/nights?place=" + id + "&from=2011-12-01&column=29"))
                .contains("Sat 31 December 2011");
        assertThat(Ask.ok(web, "/nights/table?place=" + id + "&from=2011-12-01"))
                .contains("/nights/2011-12-29?")
                .doesNotContain("/nights/2011-12-30?");
        assertThat(Ask.ok(web, "/nights/2011-12-29?place=" + id)).contains("/nights/2011-12-31");
        assertThat(Ask.refused(web, "/bench?night=2011-12-30&place=" + id)).contains("There was no 2011-12-30");
        web.perform(get("/api/night?lat=-13.8&lon=-172&zone=Pacific/Apia&date=2011-12-30"))
                .andExpect(status().isBadRequest())
                .andExpect(content().string(containsString("there was no 2011-12-30")));
    }

    @Test
    void the_first_and_the_last_year_are_whole() throws Exception {
        long id = place(37.6, -8.8, "Europe/Lisbon");
        web.perform(get("/nights?place=" + id + "&from=2000-01-02")).andExpect(status().isOk());
        web.perform(get("/nights?place=" + id + "&from=2059-12-01")).andExpect(status().isOk());
    }

    @Test
    void the_carpet_steps_by_an_hour_when_the_clocks_do() throws Exception {
        YearOfNights year = YearOfNights.of(
                new Site(37.6, -8.8, 0),
                LocalDate.of(2027, 1, 1),
                366,
                ZoneId.of("Europe/Lisbon"),
                Skyline.FLAT,
                SkyGlow.natural());
        Carpet carpet = Carpet.of(year);
        BufferedImage image = ImageIO.read(new ByteArrayInputStream(carpet.png(year, SkyGlow.natural())));
        assertThat(image.getHeight()).isEqualTo(carpet.rows());
        int before = sunset(image, 85);
        int after = sunset(image, 88);
        assertThat(after - before).isBetween(5, 7);
    }

    /** The first row in which the sky is darker than sunset's colours. */
    private static int sunset(BufferedImage image, int column) {
        for (int row = 0; row < image.getHeight(); row++) {
            if ((image.getRGB(column, row) >> 16 & 0xff) < 0x70) {
                return row;
            }
        }
        return -1;
    }
}
