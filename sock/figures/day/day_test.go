package day

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"pgregory.net/rapid"
)

func TestDaysAcrossMonthsAndLeapYears(t *testing.T) {
	assert.Equal(t, 8, Date("2026-11-23").Until("2026-12-01"))
	assert.Equal(t, 2, Date("2028-02-28").Until("2028-03-01"), "2028 has a 29 February")
	assert.Equal(t, -365, Date("2026-11-23").Until("2025-11-23"))
	assert.Equal(t, Date("2027-01-02"), Date("2026-12-24").Add(9))
}

func TestAddingDaysAndCountingThemAgree(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		from := Date("1970-01-01").Add(rapid.IntRange(-20000, 40000).Draw(t, "from"))
		n := rapid.IntRange(-9000, 9000).Draw(t, "days")
		to := from.Add(n)
		if from.Until(to) != n || (n > 0) != (to > from) {
			t.Fatalf("%s and %d days are %s", from, n, to)
		}
	})
}

func TestWhatIsNoDay(t *testing.T) {
	for _, text := range []string{"", "2026-02-30", "0026-12-24", "24.12.2026", "2026-12-24T00:00:00Z"} {
		_, err := Parse(text)
		assert.ErrorContains(t, err, "a day looks like 2026-11-23", text)
	}
}
