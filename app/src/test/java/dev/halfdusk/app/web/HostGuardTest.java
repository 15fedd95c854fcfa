package dev.halfdusk.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Set;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.mock.web.MockFilterChain;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;

class HostGuardTest {

    @ParameterizedTest
    @CsvSource({
        "localhost, 127.0.0.1, 200",
        "LocalHost, 127.0.0.1, 200",
        "127.0.0.1, 127.0.0.1, 200",
        "[::1], 0:0:0:0:0:0:0:1, 200",
        "192.168.1.20, 192.168.1.20, 200",
        "dusk.home, 192.168.1.20, 200",
        "192.168.1.21, 192.168.1.20, 421",
        "rebound.example, 127.0.0.1, 421",
        "localhost.example, 127.0.0.1, 421",
        "127.0.0.1.example, 127.0.0.1, 421"
    })
    void only_its_own_names_are_answered(String host, String address, int status) throws Exception {
        MockHttpServletRequest request = new MockHttpServletRequest("GET", "/");
        request.setServerName(host);
        request.setLocalAddr(address);
        MockHttpServletResponse response = new MockHttpServletResponse();
        MockFilterChain chain = new MockFilterChain();
        new HostGuard(Set.of("dusk.home")).doFilter(request, response, chain);
        assertThat(response.getStatus()).isEqualTo(status);
        assertThat(chain.getRequest() != null).isEqualTo(status == 200);
    }
}
