/**
 * The server. Packages by what they do for the job: {@code access} (who may what), {@code items}, {@code partners},
 * {@code stock}, {@code demand}, {@code orders} (from release to done), {@code planning} (the live plan), {@code
 * exchange} (datasets in and out), {@code platform} (what all of them stand on).
 */
package rescient.server;
