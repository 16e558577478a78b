package knit

import (
	"fmt"
	"regexp"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/design"
	"acornstep/sock/needle"
	"acornstep/sock/plan"
	"acornstep/sock/trace"
	"acornstep/sock/words"
)

// literal knits a sock from nothing but its printed words, as somebody who
// knows nothing else: each stitch on to the needle that the words name. It says
// where what comes of it is not what the plan has.
func literal(p *plan.Plan) (string, error) {
	traced, err := trace.Of(p.Rows)
	if err != nil {
		return "", err
	}
	return literalFrom(p, words.Rows(traced, &p.Design))
}

func literalFrom(p *plan.Plan, said []words.Row) (string, error) {
	var m needle.Machine
	for i := range p.Rows {
		row := &p.Rows[i]
		read := needle.Row{ID: row.ID, Section: row.Section, Kind: row.Kind, Side: row.Side, Fabric: row.Fabric}
		if i == 0 {
			if err := m.Begin(&read); err != nil {
				return row.ID, err
			}
		}
		// On one short circular needle the markers say where a half ends.
		markers, ahead := len(row.OnNeedles) == 1, m.AheadOn
		if markers {
			ahead = func(int) int {
				if sole, at := row.SoleBegins(m.Count()), m.Cursor(); at < sole {
					return sole - at
				}
				return m.Count() - m.Cursor()
			}
		}
		begun := i == 0
		var ops []needle.Op
		for _, part := range said[i].Parts {
			reading, err := words.Read(part, row.Side, ahead)
			if err != nil {
				return row.ID, err
			}
			if reading.Lay != nil && len(reading.Ops) == 0 {
				m.Lay(reading.From, reading.Lay...)
				continue
			}
			if !begun {
				if err := m.Begin(&read); err != nil {
					return row.ID, err
				}
				begun = true
			}
			if markers {
				reading.Needle = 0
			}
			if m.Hand(reading.Needle); reading.Needle < 0 {
				m.Hand(-1)
			}
			for _, o := range reading.Ops {
				if on := m.AheadOn(reading.Needle); o.Code == needle.BO && !markers && on < o.N {
					return row.ID, fmt.Errorf("%d are to be bound off of that needle, and %d lie on it", o.N, on)
				}
				if err := m.Do(o); err != nil {
					return row.ID, err
				}
			}
			if reading.Lay != nil {
				m.Lay(0, reading.Lay...) // as they were cast on
			}
			ops = append(ops, reading.Ops...)
		}
		m.Hand(-1)
		if i == 0 {
			if err := m.LayTurned(row.Turned); err != nil {
				return row.ID, err
			}
		}
		if m.Count() != row.Stitches {
			return row.ID, fmt.Errorf("%d stitches, the row says %d", m.Count(), row.Stitches)
		}
		on := make([]int, 8)
		from := m.Lying(on)
		if n := len(row.OnNeedles); !slices.Equal(on[:n], row.OnNeedles) || row.Stitches > 0 && (from-row.From)%row.Stitches != 0 && n > 1 {
			return row.ID, fmt.Errorf("read literally the needles hold %v from %d, the plan says %v from %d", on[:n], from, row.OnNeedles, row.From)
		}
		if got, want := flat(ops), flat(row.Ops); !slices.Equal(got, want) {
			return row.ID, fmt.Errorf("read: %v\nplan: %v", ops, row.Ops)
		}
	}
	return "", nil
}

// One number, one needle or one operation of the words that is another is noticed by whoever reads them literally.
func TestAWrongWordIsNoticed(t *testing.T) {
	number := regexp.MustCompile(`\d+`)
	rapid.Check(t, func(t *rapid.T) {
		p, err := Make(designs(t))
		if err != nil {
			t.Fatal(err)
		}
		if p.Stopped() != nil {
			t.Skip()
		}
		traced, err := trace.Of(p.Rows)
		if err != nil {
			t.Fatal(err)
		}
		said := words.Rows(traced, &p.Design)
		row := &said[rapid.IntRange(1, len(said)-1).Draw(t, "row")]
		row.Parts = slices.Clone(row.Parts)
		part := &row.Parts[rapid.IntRange(0, len(row.Parts)-1).Draw(t, "part")]
		was := *part
		switch rapid.IntRange(0, 2).Draw(t, "what") {
		case 0:
			numbers := number.FindAllStringIndex(part.Short, -1)
			if len(numbers) == 0 {
				t.Skip()
			}
			at := rapid.SampledFrom(numbers).Draw(t, "number")
			part.Short = part.Short[:at[0]] + "9" + part.Short[at[0]:] // nine and tens more
		case 1:
			for from, to := range map[string]string{"k": "p", "p": "k", "ds": "k1", "sl": "k", "ssk": "k2tog", "k2tog": "ssk", "bind off": "k", "yo": "m1", "kds": "pds", "pds": "kds"} {
				if rest, found := strings.CutPrefix(part.Short, from); found && (rest == "" || rest[0] == ',' || rest[0] >= '0' && rest[0] <= '9') {
					part.Short = to + rest
					break
				}
			}
		default:
			if strings.Contains(part.On, "needle 1") && len(p.Rows[0].OnNeedles) > 1 {
				part.On = strings.Replace(part.On, "needle 1", "needle 2", 1)
			}
		}
		if *part == was {
			t.Skip()
		}
		if _, err := literalFrom(p, said); err == nil {
			t.Fatalf("%s: %v is read as %v", row.ID, *part, was)
		}
	})
}

// flat are operations one by one.
func flat(ops []needle.Op) []needle.Code {
	var list []needle.Code
	for _, o := range ops {
		for range o.N {
			list = append(list, o.Code)
		}
	}
	return list
}

// Whoever reads the printed words and nothing else, on any needles, ends with the plan's loops on the plan's needles.
func TestTheWordsReadLiterallyAreTheSock(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		p, err := Make(designs(t))
		if err != nil {
			t.Fatal(err)
		}
		if p.Stopped() != nil {
			t.Skip()
		}
		if row, err := literal(p); err != nil {
			t.Fatalf("%s: %v", row, err)
		}
	})
}

func TestTheUsualSocksReadLiterally(t *testing.T) {
	for _, needles := range []string{"magic_loop", "two_circulars", "dpn4", "dpn5", "short_circular"} {
		for _, heel := range design.Registered("heel.kind") {
			for _, turn := range design.Registered("heel.turn") {
				for _, toe := range design.Registered("toe.kind") {
					for _, share := range []string{"0.5", "0.65"} {
						p := makePlan(t, with(`"needles":"`+needles+`","heel":{"kind":"`+heel+`","turn":"`+turn+`","share":`+share+`},"toe":{"kind":"`+toe+`"}`))
						require.Nil(t, p.Stopped())
						row, err := literal(p)
						require.NoError(t, err, "%s of %s heel %s %s, toe %s, on %s", row, share, heel, turn, toe, needles)
					}
				}
			}
		}
	}
}
