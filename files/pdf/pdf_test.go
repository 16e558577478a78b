package pdf

import (
	"bytes"
	"context"
	"fmt"
	"maps"
	"os"
	"os/exec"
	"path/filepath"
	"slices"
	"strings"
	"testing"

	"codeberg.org/go-pdf/fpdf"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/measure"
	"acornstep/sock/papers/design"
	"acornstep/sock/rows/needle"
	"acornstep/sock/said/instructions"
	"acornstep/sock/teach/leaflet"
)

func leafletOf(t testing.TB, name, fields string, every bool) *leaflet.Leaflet {
	d, err := design.Read(fmt.Appendf(nil, `{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44}%s}`, fields))
	require.NoError(t, err)
	p, err := knit.Make(d)
	require.NoError(t, err)
	l, err := leaflet.Of(p, nil, leaflet.Wish{Name: name, Wearer: "Isolde", Unit: measure.Centimetres, Every: every})
	require.NoError(t, err)
	require.NoError(t, l.Draw(context.Background()))
	return l
}

// read has poppler read a PDF: its text as it lies on the pages, and what it says of its fonts.
func read(t *testing.T, made []byte) (text, fonts string) {
	for _, tool := range []string{"pdftotext", "pdffonts"} {
		if _, err := exec.LookPath(tool); err != nil {
			t.Skipf("%s is not here: make test installs poppler-utils", tool)
		}
	}
	file := filepath.Join(t.TempDir(), "pattern.pdf")
	require.NoError(t, os.WriteFile(file, made, 0o600))
	out, err := exec.Command("pdftotext", "-layout", file, "-").Output()
	require.NoError(t, err)
	names, err := exec.Command("pdffonts", file).Output()
	require.NoError(t, err)
	return string(out), string(names)
}

// flat is a text without its line ends and spaces: how it is wrapped is the page's business.
func flat(text string) string { return strings.Join(strings.Fields(text), "") }

var socks = map[string]string{
	"default": "", "flap": `,"heel":{"kind":"flap_under"}`, "gusset": `,"heel":{"kind":"gusset_turn"}`,
	"wraps": `,"heel":{"turn":"wrap"},"yarn":{"contrast":["toe","heel"]}`,
	"pins":  `,"heel":{"turn":"pinned"},"needles":"dpn5"`, "lace": `,"leg":{"pattern":"dew_lace","height_mm":150}`,
	"square": `,"toe":{"kind":"garter_square"},"bind_off":"sewn"`, "short toe": `,"toe":{"kind":"short_row"},"heel":{"turn":"yarn_over"}`,
}

// What can be read off the paper is what the instructions say, line by line, on every sock and every kind of paper;
// all fonts are in the file, and it is small.
func TestThePaperSaysTheRows(t *testing.T) {
	prints := []Print{{Paper: "a4"}, {Paper: "letter", Large: true}, {Black: true}}
	for i, name := range slices.Sorted(maps.Keys(socks)) {
		fields, kinds := socks[name], prints[i%3:i%3+1]
		if fields == "" {
			kinds = prints
		}
		for _, print := range kinds {
			l := leafletOf(t, "Łucja & Žofie, ½ × ±", fields, print.Large)
			made, err := Of(l, print)
			require.NoError(t, err)
			assert.Less(t, len(made), 1_000_000, name)
			text, fonts := read(t, made)
			if pages := strings.Count(text, "\f"); !print.Large {
				assert.LessOrEqual(t, pages, 8, name)
				if fields == "" {
					assert.LessOrEqual(t, pages, 7, "the usual sock")
				}
				// Whoever knows the moves has the rows alone.
				known := *l
				known.Moves = nil
				bare, err := Of(&known, print)
				require.NoError(t, err)
				text, _ := read(t, bare)
				assert.LessOrEqual(t, strings.Count(text, "\f"), 4, name)
				assert.Less(t, len(bare), 300_000, name)
			}
			said := flat(text)
			assert.Contains(t, said, flat("Łucja & Žofie, ½ × ±"), name)
			for _, section := range l.Sections {
				for i := range section.Items {
					item := &section.Items[i]
					assert.Contains(t, said, flat(item.Label), "%s: %s", name, item.Label)
					if len(item.Text) < 60 { // a longer one may be parted by the foot of a page
						assert.Contains(t, said, flat(item.Text), "%s: %s", name, item.Label)
					}
				}
			}
			for _, line := range strings.Split(fonts, "\n")[2:] {
				if fields := strings.Fields(line); len(fields) > 6 {
					assert.Contains(t, line, "yes", "%s: a font is not embedded: %s", name, line)
				}
			}
			// Beside its parts the drawing says how many rows of the plan each has, also those that are not seen from the side.
			rows := map[needle.Section]int{}
			for i := range l.Plan.Rows {
				rows[l.Plan.Rows[i].Section]++
			}
			for _, section := range []needle.Section{needle.Toe, needle.Foot, needle.Heel, needle.Leg, needle.Cuff} {
				assert.Contains(t, said, fmt.Sprintf("%s%d", section, rows[section]), name)
			}
			again, err := Of(l, print)
			require.NoError(t, err)
			assert.True(t, bytes.Equal(made, again), "%s: the same pattern is the same file", name)
		}
	}
}

// Any letter prints: what the fonts lack is a box, as wide as what stands beside it leaves room for; letters that
// only change the one before are none.
func TestAnyLetterPrints(t *testing.T) {
	for name, reads := range map[string]string{
		"Łódź, ½ of a sock":            "Łódź, ½ of a sock",
		"Night \U0001F319\uFE0F socks": "Night", "\U0001F9E6": "CAST ON", "観測 socks": "socks", "Ωmega \u202Eback": "mega",
		"e\u0301toile": "toile", "family \U0001F469\u200D\U0001F467": "family",
	} {
		l := leafletOf(t, name, "", false)
		l.For, l.Notes = name, append(l.Notes, name)
		made, err := Of(l, Print{})
		require.NoError(t, err, name)
		text, _ := read(t, made)
		assert.Contains(t, strings.ToUpper(flat(text)), strings.ToUpper(flat(reads)), name)
	}
	s := runs("a\U0001F319\uFE0Fb")
	assert.Equal(t, []run{{latin, "a"}, {boxes, "\U0001F319"}, {latin, "b"}}, s)
}

func TestAPaperThatNobodyHas(t *testing.T) {
	_, err := Of(leafletOf(t, "A sock", "", false), Print{Paper: "a7"})
	assert.ErrorContains(t, err, "a7")
}

// A font file that is cut off anywhere is refused, and crashes nothing.
func TestFontsThatAreCutOff(t *testing.T) {
	woff, err := fontFiles.ReadFile("fonts/latin-400.woff")
	require.NoError(t, err)
	whole, err := trueType(woff)
	require.NoError(t, err)
	assert.Greater(t, len(whole), len(woff))
	for n := 0; n < len(woff); n += 97 {
		if cut, err := trueType(woff[:n]); err == nil {
			assert.Equal(t, whole, cut)
		}
	}
}

// The pattern as text has fewer than 110 lines, the health of nobody, and instructions that read back.
func TestThePatternAsText(t *testing.T) {
	l := leafletOf(t, "Roof socks", `,"yarn":{"contrast":["heel"]}`, false)
	text := l.Text()
	assert.Less(t, strings.Count(text, "\n"), 110)
	for _, want := range []string{"ROOF SOCKS", "for Isolde", "ABBREVIATIONS", "kfb: ", "Contrast for a pair", "NOTES"} {
		assert.Contains(t, text, want)
	}
	assert.NotContains(t, text, "kw:", "abbreviations that do not occur are not explained")
	rows, err := instructions.Read(instructions.Text(l.Sections), instructions.Needles(l.Plan.Rows))
	require.NoError(t, err)
	assert.Len(t, rows, len(l.Plan.Rows))
}

func BenchmarkPDF(b *testing.B) {
	l := leafletOf(b, "Roof socks", "", false)
	for b.Loop() {
		if _, err := Of(l, Print{}); err != nil {
			b.Fatal(err)
		}
	}
}

// On every paper a picture of the hands is 28 mm wide or more, and they stand beside each other within the margins.
func TestPicturesOfTheHandsAreWideEnough(t *testing.T) {
	for paper, size := range map[string]string{"a4": "A4", "letter": "Letter"} {
		for _, large := range []bool{false, true} {
			s := &sheet{Fpdf: fpdf.New("P", "mm", size, ""), print: Print{Paper: paper, Large: large}}
			n, each := s.columns()
			assert.GreaterOrEqual(t, each, 28.0-1e-9, "%s, large %t", paper, large)
			assert.GreaterOrEqual(t, n, 3)
			assert.InDelta(t, s.width(), float64(n)*each+besideMoves*float64(n-1), 1e-9)
		}
	}
}
