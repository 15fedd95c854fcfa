/** Small value types shared by every part of the core. No dependency on anything else. */
package dev.halfdusk.core.measure;
