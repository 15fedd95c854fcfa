/** What a rig frames: drawing, simulated photograph, panorama. */
package dev.halfdusk.app.framing;
