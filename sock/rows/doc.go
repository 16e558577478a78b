// Package rows is the rows themselves: the needle machine, the patterns laid out on it, and what reading finished rows finds in them.
//
// A room here may know figures. Whoever made the rows, and by which technique,
// it does not know: rows of any origin are read alike.
package rows
