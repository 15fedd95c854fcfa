package dev.halfdusk.core.ground;

import java.util.List;
import java.util.Locale;

/** What a mark looks like against the sky: a few shapes drawn for this, stretched to its height and width. */
public enum Silhouette {
    BLOCK("block", "-50,0 -50,100 50,100 50,0"),
    ARCH(
            "rock arch",
            "-50,0 -49,18 -46,30 -47,45 -43,58 -40,72 -34,80 -30,90 -20,94 -12,99 -3,100 6,97 13,98 22,92 29,88 34,78"
                    + " 40,70 42,58 46,47 45,32 49,20 50,0 24,0 23,14 20,26 21,36 16,47 11,56 4,60 -4,59 -11,53 -16,43"
                    + " -19,30 -18,18 -22,0"),
    TOWER(
            "tower",
            "-50,0 -46,4 -44,80 -50,84 -50,100 -34,100 -34,93 -18,93 -18,100 -8,100 -8,93 8,93 8,100 18,100 18,93 34,93"
                    + " 34,100 50,100 50,84 44,80 46,4 50,0"),
    LIGHTHOUSE(
            "lighthouse",
            "-50,0 -48,5 -36,6 -24,72 -38,73 -38,77 -22,78 -20,88 -24,89 -12,95 -3,97 -2,100 2,100 3,97 12,95 24,89 20,88"
                    + " 22,78 38,77 38,73 24,72 36,6 48,5 50,0"),
    TREE(
            "tree",
            "-7,0 -5,14 -6,30 -20,33 -30,31 -38,36 -44,44 -41,50 -48,57 -45,66 -37,70 -39,78 -30,84 -24,83 -20,91 -10,95"
                    + " -2,93 4,100 13,96 19,97 24,90 33,88 35,80 43,76 42,68 50,61 45,54 47,46 39,40 36,34 24,33 16,30 5,31"
                    + " 4,14 8,0"),
    ROCK(
            "rock",
            "-50,0 -47,16 -41,22 -38,40 -29,48 -26,66 -18,73 -14,88 -6,92 -1,100 7,94 12,96 18,82 27,76 30,60 37,54 40,36"
                    + " 46,26 50,0"),
    BOAT(
            "boat",
            "-34,0 -44,14 -50,24 -36,22 -14,20 -14,36 2,36 3,20 8,20 9,92 6,96 9,100 12,96 11,21 34,22 50,28 42,10 36,0"),
    HOUSE("house", "-46,0 -46,52 -50,52 -26,80 -26,96 -16,96 -16,91 -8,100 0,100 42,54 50,52 46,52 46,0"),
    FIRING(
            "firing point of a display",
            "-50,0 -46,34 -40,34 -42,100 -32,100 -30,34 -20,34 -21,100 -11,100 -10,34 0,34 0,100 10,100 10,34 20,34 21,100"
                    + " 31,100 30,34 46,34 50,0"),
    PERSON(
            "person",
            "-40,0 -24,4 -20,44 -24,62 -38,44 -50,46 -38,72 -22,83 -12,84 -14,92 -8,99 0,100 8,99 14,92 12,84 24,82 38,70"
                    + " 50,44 38,42 24,62 20,44 30,3 44,0 22,0 8,2 0,40 -8,2");

    private final String words;
    private final List<Corner> corners;

    Silhouette(String words, String outline) {
        this.words = words;
        this.corners = List.of(outline.split(" ")).stream().map(Corner::of).toList();
    }

    /**
     * A corner of the outline.
     *
     * @param across from −0.5 left to 0.5 right, of the width
     * @param up from 0 at the foot to 1 at the top, of the height
     */
    public record Corner(double across, double up) {

        private static Corner of(String text) {
            String[] f = text.split(",");
            return new Corner(Integer.parseInt(f[0]) / 100.0, Integer.parseInt(f[1]) / 100.0);
        }
    }

    /** Stable name for forms, addresses and files. */
    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    public String words() {
        return words;
    }

    /** One closed line without a hole. */
    public List<Corner> corners() {
        return corners;
    }
}
