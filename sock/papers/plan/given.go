package plan

import (
	"slices"

	"acornstep/sock/figures/verdict"
)

// Given is the plan as it is given away: without the cautions of whoever wears the sock, and without what was said because of them.
func (p *Plan) Given() *Plan {
	if p == nil || len(p.Design.Foot.Cautions) == 0 {
		return p
	}
	given := *p
	given.Design.Foot.Cautions = nil
	given.Checks = slices.DeleteFunc(slices.Clone(p.Checks), func(c verdict.Check) bool {
		return slices.ContainsFunc(health, func(h healthCheck) bool { return h.wearers && h.code == c.Code })
	})
	return &given
}
