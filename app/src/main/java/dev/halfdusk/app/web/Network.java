package dev.halfdusk.app.web;

import java.net.Inet4Address;
import java.net.InetAddress;
import java.net.NetworkInterface;
import java.net.SocketException;
import java.util.Collections;
import java.util.List;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** Where this machine answers on its network, if it does. */
@Component
public class Network {

    private final String address;

    Network(@Value("${server.address:127.0.0.1}") String address) {
        this.address = address;
    }

    /** Of its own, other than the one that only it sees; none where the server listens to that one alone. */
    public List<String> addresses() {
        try {
            InetAddress listens = InetAddress.getByName(address);
            if (listens.isLoopbackAddress()) {
                return List.of();
            }
            return listens.isAnyLocalAddress()
                    ? Collections.list(NetworkInterface.getNetworkInterfaces()).stream()
                            .flatMap(NetworkInterface::inetAddresses)
                            .filter(a -> a instanceof Inet4Address && !a.isLoopbackAddress())
                            .map(InetAddress::getHostAddress)
                            .toList()
                    : List.of(listens.getHostAddress());
        } catch (SocketException | java.net.UnknownHostException e) {
            return List.of();
        }
    }
}
