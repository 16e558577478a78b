// Command acornstep designs toe-up socks: it serves the interface, and turns
// designs into plans and checks plans on the command line.
package main

import (
	"errors"
	"flag"
	"fmt"
	"io"
	"os"
)

// version is the program's own; releases set it with -ldflags "-X main.version=…".
var version = "0.1.0"

// command is one sub-command.
type command struct {
	name, summary string
	run           func(args []string, streams streams) error
}

// streams are the three a program talks through.
type streams struct {
	in       io.Reader
	out, err io.Writer
}

func commands() []command {
	return []command{
		{"serve", "serve the interface and keep your socks in a database", runServe},
		{"demo", "serve the interface with made-up socks, in a database of its own", runDemo},
		{"backup", "copy your socks into a file, also while the program runs", runBackup},
		{"restore", "put such a copy in the place of your socks", runRestore},
		{"doctor", "look whether a data file is whole, and its plans can be knitted", runDoctor},
		{"certificate", "make a certificate, so that phones in the house reach the program over https", runCertificate},
		{"plan", "read a design, write its plan", runPlan},
		{"check", "read a plan, knit it again and say what is wrong with it", runCheck},
		{"compare", "read a design, rank the ways to knit it", runCompare},
		{"explain", "read a plan, say its rows in words", runExplain},
		{"pattern", "read a design or a plan, write its pattern: as text, or as a PDF to print", runPattern},
		{"scale", "simulate a kitchen scale on a local port", runScale},
		{"pedal", "simulate a foot pedal: each Enter is a row done", runPedal},
		{"version", "print the version", runVersion},
	}
}

// errReported ends the program with status 1 when everything is said already.
var errReported = errors.New("reported")

func main() {
	os.Exit(run(os.Args[1:], streams{os.Stdin, os.Stdout, os.Stderr}))
}

func run(args []string, s streams) int {
	if len(args) == 0 || args[0] == "-h" || args[0] == "--help" || args[0] == "help" {
		usage(s.out)
		return 0
	}
	for _, c := range commands() {
		if c.name != args[0] {
			continue
		}
		switch err := c.run(args[1:], s); {
		case err == nil, errors.Is(err, flag.ErrHelp):
			return 0
		case !errors.Is(err, errReported):
			fmt.Fprintln(s.err, err)
		}
		return 1
	}
	fmt.Fprintf(s.err, "acornstep: there is no command %q; acornstep --help lists them\n", args[0])
	return 2
}

func usage(w io.Writer) {
	fmt.Fprint(w, "Acorn Step designs toe-up socks and checks every row loop by loop.\n\n  acornstep COMMAND [flags]\n\n")
	for _, c := range commands() {
		fmt.Fprintf(w, "  %-11s %s\n", c.name, c.summary)
	}
	fmt.Fprint(w, "\nacornstep COMMAND --help tells more.\n")
}

// flags makes a flag set whose help begins with a sentence on the command.
func flags(name, about string, s streams) *flag.FlagSet {
	set := flag.NewFlagSet(name, flag.ContinueOnError)
	set.SetOutput(s.err)
	set.Usage = func() {
		fmt.Fprintf(s.err, "acornstep %s: %s\n", name, about)
		set.PrintDefaults()
	}
	return set
}

func runVersion(args []string, s streams) error {
	if err := flags("version", "print the version", s).Parse(args); err != nil {
		return err
	}
	fmt.Fprintln(s.out, "acornstep", version)
	return nil
}
