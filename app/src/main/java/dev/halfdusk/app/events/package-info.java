/** Moon, eclipses, fireworks, night scenes and sparklers. */
package dev.halfdusk.app.events;
