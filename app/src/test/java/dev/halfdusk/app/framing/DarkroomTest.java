package dev.halfdusk.app.framing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.halfdusk.app.pictures.ImageFile;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.util.ArrayList;
import java.util.List;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class DarkroomTest {

    private final Darkroom darkroom = new Darkroom();

    @ParameterizedTest
    @EnumSource
    void a_picture_arrives_whole(ImageFile kind) throws IOException {
        byte[] file = kind.of(new int[] {1, 2, 3, 4}, 2, 2);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        darkroom.develop(kind, () -> file, out);
        assertThat(out.toByteArray()).isEqualTo(file);
        assertThat(ImageIO.read(new ByteArrayInputStream(file)).getHeight()).isEqualTo(2);
    }

    @Test
    void nobody_waits_so_nothing_is_taken_and_the_next_has_its_turn() throws IOException {
        // by hand: a mocked stream makes every stream of the machine slow, those of all other tests as well
        OutputStream closed = new OutputStream() {

            private int written;

            @Override
            public void write(int b) throws IOException {
                if (written++ == 4) {
                    throw new IOException("closed");
                }
            }
        };
        List<String> taken = new ArrayList<>();
        assertThatThrownBy(() -> darkroom.develop(
                        ImageFile.PNG,
                        () -> {
                            taken.add("in vain");
                            return new byte[9];
                        },
                        closed))
                .isInstanceOf(IOException.class);
        a_picture_arrives_whole(ImageFile.JPEG);
        assertThat(taken).isEmpty();
    }
}
