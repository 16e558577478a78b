package main

import (
	"encoding/json"
	"errors"
	"fmt"
	"io"

	"acornstep/sock/craft/check"
	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/document"
	"acornstep/sock/papers/plan"
)

// maxInput is the largest document that is read, in bytes; a plan has about 60,000.
const maxInput = 8 << 20

func readInput(s streams) ([]byte, error) {
	text, err := io.ReadAll(io.LimitReader(s.in, maxInput+1))
	if err != nil {
		return nil, fmt.Errorf("standard input cannot be read: %w", err)
	}
	if len(text) > maxInput {
		return nil, fmt.Errorf("the document has more than %d bytes", maxInput)
	}
	return text, nil
}

// noArguments refuses arguments of commands that read standard input.
func noArguments(name, about string, args []string, s streams) error {
	set := flags(name, about, s)
	if err := set.Parse(args); err != nil {
		return err
	}
	if set.NArg() > 0 {
		return fmt.Errorf("acornstep %s: read the argument %q, but it reads its document from standard input", name, set.Arg(0))
	}
	return nil
}

func runPlan(args []string, s streams) error {
	about := "reads a design on standard input, writes its plan on standard output.\n" +
		"Every fault of the design is one line on standard error; then the status is 1."
	if err := noArguments("plan", about, args, s); err != nil {
		return err
	}
	d, err := readDesign(s)
	if err != nil {
		return err
	}
	p, err := knit.Make(d)
	if err != nil {
		return reportFaults(err, s)
	}
	if err := writeJSON(s.out, p); err != nil {
		return err
	}
	if stop := p.Stopped(); stop != nil {
		fmt.Fprintln(s.err, stop.Text)
		return errReported
	}
	return nil
}

func runCheck(args []string, s streams) error {
	about := "reads a plan on standard input and knits it again, loop by loop.\n" +
		"Whatever is wrong is one line on standard output; then the status is 1."
	if err := noArguments("check", about, args, s); err != nil {
		return err
	}
	p, err := readPlan(s)
	if err != nil {
		return err
	}
	faults := check.Plan(p)
	for _, f := range faults {
		fmt.Fprintln(s.out, f)
	}
	if len(faults) > 0 {
		return errReported
	}
	fmt.Fprintf(s.out, "sound: %d rows knitted, every loop accounted for\n", len(p.Rows))
	return nil
}

// readPlan reads a plan from standard input, with one line for each fault.
func readPlan(s streams) (*plan.Plan, error) {
	text, err := readInput(s)
	if err != nil {
		return nil, err
	}
	p, err := plan.Read(text)
	if err != nil {
		return nil, reportFaults(err, s)
	}
	return p, nil
}

// reportFaults writes one line for each fault of a document.
func reportFaults(err error, s streams) error {
	var faults document.Faults
	if !errors.As(err, &faults) {
		return err
	}
	for _, f := range faults {
		fmt.Fprintln(s.err, f.Error())
	}
	return errReported
}

func writeJSON(w io.Writer, v any) error {
	encoder := json.NewEncoder(w)
	encoder.SetEscapeHTML(false)
	return encoder.Encode(v)
}
