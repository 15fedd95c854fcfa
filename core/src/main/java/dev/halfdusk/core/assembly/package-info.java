/** Finished frames put together: trails by the lighter pixel, stacks aligned by their stars. */
package dev.halfdusk.core.assembly;
