package dev.halfdusk.core.frame;

/** Something that sends light into a picture from the opening of the shutter to its closing. */
sealed interface Source permits CatalogueStars, FinerStars, Planets, MoonDisc, SunDisc, Bursts, Passing, TownLights {

    /** Adds its light to the picture of an exposure. */
    void paint(Exposure exposure);
}
