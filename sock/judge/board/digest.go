package board

import (
	"strings"

	"acornstep/sock/figures/at"
	"acornstep/sock/figures/document"
	"acornstep/sock/figures/measure"
	"acornstep/sock/papers/basket"
	"acornstep/sock/papers/draft"
	"acornstep/sock/people/feet"
)

// Digest tidies a sock before it is kept: entries that read become part of
// the design, and the digest says what lists show. What is wrong with its name is document.Faults.
func Digest(sock basket.Sock, unit measure.Unit) (basket.Sock, error) {
	if faults := sock.Validate(); len(faults) > 0 {
		return sock, faults
	}
	a, err := Of(sock.Name, draft.Read(sock.Draft, unit), true)
	if err != nil {
		return sock, err
	}
	sock.Draft, sock.Digest = a.Draft, basket.Digest{}
	switch {
	case len(a.Faults) > 0:
		sock.Digest.Missing = missing(a.Faults[0])
	case a.Plan.Stopped() != nil:
		sock.Digest.Missing = a.Plan.Stopped().Text
	default:
		sock.Digest.FootStitches = a.Plan.Summary.FootStitches
		sock.Digest.CastOn = a.Plan.Summary.CastOnStitches
		sock.Digest.Rows = a.Effort.Rows
	}
	return sock, nil
}

// missing says what a half-designed sock lacks, as a knitter would.
func missing(f document.Fault) string {
	switch name := strings.TrimPrefix(f.Field, "foot."); {
	case at.Path(f.Field) == at.GaugeStitches:
		return "count the stitches of the swatch"
	case at.Path(f.Field) == at.GaugeRounds:
		return "count the rounds of the swatch"
	case name != f.Field:
		if kind, known := feet.KindOf(name); known {
			return "measure the " + strings.ToLower(kind.Label)
		}
	}
	return f.Said()
}
