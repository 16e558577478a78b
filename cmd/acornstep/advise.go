package main

import (
	"errors"
	"fmt"
	"io"
	"strings"

	"acornstep/sock/craft/check"
	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/document"
	"acornstep/sock/judge/advise"
	"acornstep/sock/papers/design"
	"acornstep/sock/rows/knitted"
	"acornstep/sock/rows/needle"
	"acornstep/sock/said/instructions"
	"acornstep/sock/said/words"
)

// readDesign reads a design from standard input, with one line for each fault.
func readDesign(s streams) (design.Design, error) {
	text, err := readInput(s)
	if err != nil {
		return design.Design{}, err
	}
	d, err := design.Read(text)
	if err == nil {
		err = knit.Known(&d).Err()
	}
	var faults document.Faults
	if errors.As(err, &faults) {
		return d, reportFaults(faults, s)
	}
	return d, err
}

func runCompare(args []string, s streams) error {
	about := "reads a design on standard input and ranks every sensible toe, heel, share, turning\n" +
		"style and count for its foot and gauge, the best first, as JSON on standard output."
	if err := noArguments("compare", about, args, s); err != nil {
		return err
	}
	d, err := readDesign(s)
	if err != nil {
		return err
	}
	report, err := advise.Rank(d, advise.BestFit, nil)
	if err != nil {
		return err
	}
	return writeJSON(s.out, report)
}

func runExplain(args []string, s streams) error {
	set := flags("explain", "reads a plan on standard input and says its rows, in abbreviations or in plain words.", s)
	repeats := set.Bool("repeats", false, "as a knitter writes them down, with what repeats said once")
	long := set.Bool("words", false, "plain words for those who are new to it, with each operation explained where it first appears")
	if err := set.Parse(args); err != nil {
		return err
	}
	p, err := readPlan(s)
	if err != nil {
		return err
	}
	traced, fault := knitted.Of(p.Rows)
	if *repeats && fault == nil {
		_, err := fmt.Fprint(s.out, instructions.Text(instructions.Of(p, traced, false)))
		return err
	}
	said := words.Rows(traced, &p.Design)
	if len(check.Plan(p)) == 0 { // the words of a sock that is sound are exact, or they are not said
		if err := words.Literally(p, said); err != nil {
			return err
		}
	}
	explainRows(s.out, p.Rows, said, *long)
	if fault != nil {
		fmt.Fprintln(s.err, fault)
		return errReported
	}
	return nil
}

// explainRows says each row on a line, with what to do or to know before it. A turn alone is no row for people: it is said with the one
// that is worked after it.
func explainRows(out io.Writer, rows []needle.Row, said []words.Row, long bool) {
	entries := map[string]words.Entry{}
	for _, e := range words.Glossary() {
		entries[e.Op] = e
	}
	var notes, sentences, fresh []string
	for i := range said {
		row := &rows[i]
		if row.Note != "" {
			notes = append(notes, row.Note)
		}
		sentences, fresh = append(sentences, said[i].Sentence(long)), append(fresh, said[i].New...)
		if row.TurnsOnly() && i+1 < len(said) {
			continue
		}
		if len(notes) > 0 {
			fmt.Fprintf(out, "    before %s: %s\n", row.ID, strings.Join(notes, " "))
		}
		fmt.Fprintf(out, "%s (%s): %s. %d stitches.\n", row.ID, row.Side, strings.Join(sentences, "; "), row.Stitches)
		for _, op := range fresh {
			if e := entries[op]; long {
				fmt.Fprintf(out, "    first %s: %s Take care: %s\n", e.Name, e.Steps, e.Slip)
			}
		}
		notes, sentences, fresh = nil, nil, nil
	}
}
