/** Work that takes longer than a page may: with progress, cancellable, and independent of who looks at it. */
package dev.halfdusk.app.jobs;
