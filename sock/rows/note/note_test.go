package note

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"pgregory.net/rapid"

	"acornstep/sock/figures/measure"
)

// Whatever is worded is read back as the same facts, wherever it stands among advice.
func TestFactsReadBack(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		var said []Fact
		text := "Leave a tail of about 39 cm (15 in)."
		for _, code := range rapid.SliceOfNDistinct(rapid.SampledFrom(Codes()), 1, 4, rapid.ID[Code]).Draw(t, "codes") {
			f := Fact{Code: code}
			switch code {
			case TakesUp, ChangesTo:
				f.Yarn = rapid.SampledFrom([]string{"", "contrast", "amber", "B", "sea green"}).Draw(t, "yarn")
			case StrandTakes:
				f.Long = measure.Length(1000 * rapid.IntRange(1, 90).Draw(t, "metres"))
			case CentreMarked:
				f.First, f.Last = rapid.IntRange(2, 20).Draw(t, "first"), rapid.IntRange(21, 40).Draw(t, "last")
			}
			said = append(said, f)
			text += " " + f.String()
		}
		assert.Equal(t, said, Read(text))
	})
}

func TestAdviceStatesNothing(t *testing.T) {
	for _, text := range []string{"", "Keep about 85 cm (33 in) of yarn.", "Tug first.", "At each corner look twice."} {
		assert.Empty(t, Read(text), text)
	}
}
