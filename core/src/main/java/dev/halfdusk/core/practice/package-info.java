/** Practice: a camera with dials before made-up scenes, lessons that judge the frames taken, drills, and what is mastered. */
package dev.halfdusk.core.practice;
