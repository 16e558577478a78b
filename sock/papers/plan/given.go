package plan

import (
	"slices"
	"strings"

	"acornstep/sock/figures/verdict"
)

// aboutPeople are the beginnings of what a plan says of whoever wears it, not of the sock.
var aboutPeople = []string{"circulation", "numb_", "allergy", "small_foot"}

// Given is the plan as it is given away: without the cautions of whoever wears the sock, and without what was said because of them.
func (p *Plan) Given() *Plan {
	if p == nil || len(p.Design.Foot.Cautions) == 0 {
		return p
	}
	given := *p
	given.Design.Foot.Cautions = nil
	given.Checks = slices.DeleteFunc(slices.Clone(p.Checks), func(c verdict.Check) bool {
		return slices.ContainsFunc(aboutPeople, func(code string) bool { return strings.HasPrefix(c.Code, code) })
	})
	return &given
}
