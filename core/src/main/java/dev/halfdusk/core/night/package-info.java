/** One night at one place, and many of them in a row. */
package dev.halfdusk.core.night;
