// Package tables writes what other programs read: the log as CSV, the plan as
// an iCalendar file.
package tables
