/** Shutter, aperture and ISO, each with its reasons. */
package dev.halfdusk.core.exposure;
