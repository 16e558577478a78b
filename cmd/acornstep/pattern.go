package main

import (
	"context"
	"encoding/json"
	"fmt"

	"acornstep/files/pdf"
	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/measure"
	"acornstep/sock/needles/knitting"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
	"acornstep/sock/teach/leaflet"
)

func runPattern(args []string, s streams) error {
	set := flags("pattern", "reads a design or a plan on standard input, writes its pattern on standard output:\n"+
		"what it will be, what lies ready, the instructions, the charts, and room for notes.", s)
	form := set.String("form", "text", "pdf or text")
	paper := set.String("paper", "a4", "a4 or letter, for pdf")
	rows := set.String("rows", "repeats", "repeats, or every row on a line of its own")
	large := set.Bool("large", false, "in large print, for pdf")
	black := set.Bool("black", false, "in black ink only, for pdf")
	unit := set.String("unit", "cm", "cm or in")
	if err := set.Parse(args); err != nil {
		return err
	}
	if set.NArg() > 0 {
		return fmt.Errorf("acornstep pattern: read the argument %q, but it reads its document from standard input", set.Arg(0))
	}
	for _, c := range []struct {
		flag, read string
		allowed    []string
	}{{"form", *form, []string{"pdf", "text"}}, {"paper", *paper, pdf.Papers}, {"rows", *rows, []string{"repeats", "every"}},
		{"unit", *unit, []string{"cm", "in"}}} {
		if err := oneOf(c.flag, c.read, c.allowed); err != nil {
			return err
		}
	}
	p, second, err := readEither(s)
	if err != nil {
		return err
	}
	l, err := leaflet.Of(p, second, leaflet.Wish{Unit: measure.Unit(*unit), Every: *rows == "every", Own: true})
	if err != nil {
		return err
	}
	if *form == "text" {
		_, err = fmt.Fprint(s.out, l.Text())
		return err
	}
	if err := l.Draw(context.Background()); err != nil {
		return err
	}
	text, err := pdf.Of(l, pdf.Print{Paper: *paper, Large: *large, Black: *black})
	if err == nil {
		_, err = s.out.Write(text)
	}
	return err
}

// oneOf refuses a flag that is none of some words.
func oneOf(flag, read string, allowed []string) error {
	for _, word := range allowed {
		if read == word {
			return nil
		}
	}
	return fmt.Errorf("acornstep pattern: -%s: read %q, expected one of %q", flag, read, allowed)
}

// readEither reads a design, which is knitted, or a plan; with the plan of the second sock where the rows are mirrored.
func readEither(s streams) (p, second *plan.Plan, err error) {
	text, err := readInput(s)
	if err != nil {
		return nil, nil, err
	}
	var head struct{ Format string }
	_ = json.Unmarshal(text, &head) // what it is not is said by its reader
	if head.Format == plan.Format {
		if p, err = plan.Read(text); err != nil {
			return nil, nil, reportFaults(err, s)
		}
		return p, nil, nil
	}
	d, err := design.Read(text)
	if err != nil {
		return nil, nil, reportFaults(err, s)
	}
	if p, err = knit.Make(d); err != nil {
		return nil, nil, reportFaults(err, s)
	}
	if stop := p.Stopped(); stop != nil {
		fmt.Fprintln(s.err, stop.Text)
		return nil, nil, errReported
	}
	e, err := knitting.Begin(d)
	if err != nil {
		return nil, nil, reportFaults(err, s)
	}
	return e.Plan, e.Second, nil
}
