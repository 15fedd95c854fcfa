/** What is photographed in a night: subjects, when they may be, and what the camera then does. */
package dev.halfdusk.core.take;
