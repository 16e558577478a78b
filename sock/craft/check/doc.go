// Package check says what is wrong with a plan of any origin. It knits the
// rows again on empty needles and proves every number of the summary from
// them and the gauge. It imports the needle machine, the document and the
// formulas of length, and nothing that makes plans: so it sees what a maker of
// plans got wrong.
package check
