/** Many frames that belong together. */
package dev.halfdusk.core.sequence;
