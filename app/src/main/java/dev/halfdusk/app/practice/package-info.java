/** Practice: lessons before a simulated camera, drills, a night played, and what one is sure of. */
package dev.halfdusk.app.practice;
