/** What is made and goes out: parcels, their papers, and messages to customers. */
@NullMarked
package dev.restis.app.finished;

import org.jspecify.annotations.NullMarked;
