/** Bodies, lenses, gear and the rigs they are put together to. */
package dev.halfdusk.app.kit;
