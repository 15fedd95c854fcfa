/** The moon as a subject: its light, how fast it moves through a frame, how large it is. */
package dev.halfdusk.core.moon;
