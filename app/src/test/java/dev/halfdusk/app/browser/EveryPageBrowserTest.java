package dev.halfdusk.app.browser;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What holds for every page: readable in every lamp, and on a phone. A new page is added here. */
class EveryPageBrowserTest extends BrowserTest {

    @ParameterizedTest
    @ValueSource(
            strings = {
                "/",
                "/outings",
                "/outings/new",
                "/outings/1",
                "/outings/1/edit",
                "/outings/1/print",
                "/outings/new?place=new&latitude=95",
                "/places/new?coordinates=95+0",
                "/places",
                "/places/1",
                "/places/1?mark=1",
                "/places/import",
                "/places/1/marks/1",
                "/places/1/marks/1/stand",
                "/nights?place=1&from=2027-01-01",
                "/nights/beside",
                "/nights/table?place=1&from=2027-01-01",
                "/nights/2027-06-08?place=1",
                "/nights/2027-06-02/weather?place=1",
                "/nights/best?place=1&from=2027-01-01",
                "/kit",
                "/kit/body/1",
                "/kit/lens/new",
                "/kit/gear/2",
                "/kit/rig/4",
                "/bench",
                "/bench?part=ground",
                "/bench?part=test",
                "/frame?place=1&rig=1",
                "/frame?place=1&rig=1&view=photograph"
            })
    void is_accessible_in_every_lamp_and_fits_a_phone(String path) {
        page.navigate(url(path));
        assertAccessible(path);
        assertFitsPhone(path);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "/bench?part=stops&t1=x",
                "/frame/panorama?place=1&roll=x"
            })
    void says_as_well_what_is_refused(String path) {
        expectRefusal();
        page.navigate(url(path));
        assertAccessible(path);
        assertFitsPhone(path);
    }
}
