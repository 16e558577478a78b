// Package craft is the craft: who knits a sock, one file a technique, and who checks one without knowing any.
//
// The two rooms stand back to back. The one that knits records only what its
// hands did on a needle machine; the one that checks knits the rows again and
// imports nothing that makes them.
package craft
