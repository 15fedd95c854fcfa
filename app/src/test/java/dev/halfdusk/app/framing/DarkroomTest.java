package dev.halfdusk.app.framing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyInt;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.doNothing;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.mock;

import dev.halfdusk.app.pictures.Png;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class DarkroomTest {

    private final Darkroom darkroom = new Darkroom();

    @Test
    void a_picture_arrives_whole() throws IOException {
        byte[] png = Png.of(new int[] {1, 2, 3, 4}, 2, 2);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        darkroom.develop(() -> png, out);
        assertThat(out.toByteArray()).isEqualTo(png);
    }

    @Test
    void nobody_waits_so_nothing_is_taken_and_the_next_has_its_turn() throws IOException {
        OutputStream closed = mock(OutputStream.class);
        doNothing().when(closed).write(any(byte[].class), eq(0), anyInt());
        doThrow(new IOException("closed")).when(closed).write(any(byte[].class), eq(4), anyInt());
        List<String> taken = new ArrayList<>();
        assertThatThrownBy(() -> darkroom.develop(
                        () -> {
                            taken.add("in vain");
                            return new byte[9];
                        },
                        closed))
                .isInstanceOf(IOException.class);
        a_picture_arrives_whole();
        assertThat(taken).isEmpty();
    }
}
