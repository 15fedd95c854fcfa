/** What was learned from nights, for those who plan with it. */
package dev.halfdusk.app.learned;
