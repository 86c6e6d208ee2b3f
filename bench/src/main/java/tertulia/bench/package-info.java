/** Benchmarks of the core; figures are quoted as ratios of one run. */
package tertulia.bench;
