/** The made-up place, kit and outings that the demo begins with. */
package dev.halfdusk.app.demo;
