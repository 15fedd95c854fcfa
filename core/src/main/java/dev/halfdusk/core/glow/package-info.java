/** Brightness and colour of the sky. */
package dev.halfdusk.core.glow;
