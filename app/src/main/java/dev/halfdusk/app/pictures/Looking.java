package dev.halfdusk.app.pictures;

import javax.imageio.ImageWriter;
import javax.imageio.event.IIOWriteProgressListener;

/** Looks, while a picture is written, whether it is still wanted. */
final class Looking implements IIOWriteProgressListener {

    private final Runnable look;

    /** @param look may throw to end it */
    Looking(Runnable look) {
        this.look = look;
    }

    @Override
    public void imageProgress(ImageWriter source, float percentageDone) {
        look.run();
    }

    @Override
    public void imageStarted(ImageWriter source, int imageIndex) {
        look.run();
    }

    @Override
    public void imageComplete(ImageWriter source) {
        // it is there by then
    }

    @Override
    public void thumbnailStarted(ImageWriter source, int imageIndex, int thumbnailIndex) {
        // none is written
    }

    @Override
    public void thumbnailProgress(ImageWriter source, float percentageDone) {
        // none is written
    }

    @Override
    public void thumbnailComplete(ImageWriter source) {
        // none is written
    }

    @Override
    public void writeAborted(ImageWriter source) {
        // that was wanted
    }
}
