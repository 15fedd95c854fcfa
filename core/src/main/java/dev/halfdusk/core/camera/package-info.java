/** A simulated body that runs programs and loses frames where a real one would. */
package dev.halfdusk.core.camera;
