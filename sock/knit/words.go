package knit

import "fmt"

// count spells a number with its noun: 1 turn, 2 turns.
func count(n int, noun string) string {
	if n == 1 {
		return "1 " + noun
	}
	return fmt.Sprintf("%d %ss", n, noun)
}
