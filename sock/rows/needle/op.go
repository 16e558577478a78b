package needle

import (
	"encoding/json"
	"fmt"
	"strconv"
)

// Code is one kind of operation, written in its usual abbreviation.
type Code uint8

// The operations. Their names are the abbreviations used on paper.
const (
	NoOp Code = iota
	CO
	COChain
	K
	P
	Ktbl
	Ptbl
	Kfb
	Pfb
	M1
	M1L
	M1R
	M1P
	PU
	PC
	Sl
	K2tog
	SSK
	P2tog
	SSP
	K3tog
	SSSK
	P3tog
	SSSP
	YO
	DS
	Kds
	Pds
	WT
	KW
	PW
	SlPin
	KPin
	PPin
	KLift
	PLift
	Turn
	Unzip
	Start
	BO
	codeCount
)

// trait says how an operation acts on the loops, for those that share a way of acting.
type trait struct {
	name  string
	takes int // loops taken from the needle ahead of the cursor
	makes int // loops left behind it
	purl  bool
}

var traits = [codeCount]trait{
	NoOp: {name: "?"},
	CO:   {name: "co"}, COChain: {name: "co_chain"},
	K: {"k", 1, 1, false}, P: {"p", 1, 1, true}, Ktbl: {"ktbl", 1, 1, false}, Ptbl: {"ptbl", 1, 1, true},
	Kfb: {"kfb", 1, 2, false}, Pfb: {"pfb", 1, 2, true},
	M1: {"m1", 0, 1, false}, M1L: {"m1l", 0, 1, false}, M1R: {"m1r", 0, 1, false}, M1P: {"m1p", 0, 1, true},
	PU: {"pu", 0, 1, false}, PC: {"pc", 0, 1, false}, Sl: {"sl", 1, 1, false},
	K2tog: {"k2tog", 2, 1, false}, SSK: {"ssk", 2, 1, false}, P2tog: {"p2tog", 2, 1, true}, SSP: {"ssp", 2, 1, true},
	K3tog: {"k3tog", 3, 1, false}, SSSK: {"sssk", 3, 1, false}, P3tog: {"p3tog", 3, 1, true}, SSSP: {"sssp", 3, 1, true},
	YO: {"yo", 0, 1, false}, DS: {"ds", 1, 1, false}, Kds: {"kds", 1, 1, false}, Pds: {"pds", 1, 1, true},
	WT: {name: "wt"}, KW: {"kw", 1, 1, false}, PW: {"pw", 1, 1, true},
	SlPin: {"slpin", 1, 1, false}, KPin: {"kpin", 1, 1, false}, PPin: {"ppin", 1, 1, true},
	KLift: {"klift", 1, 1, false}, PLift: {"plift", 1, 1, true},
	Turn: {name: "turn"}, Unzip: {name: "unzip"}, Start: {name: "start"}, BO: {"bo", 1, 0, false},
}

var codes = func() map[string]Code {
	m := make(map[string]Code, codeCount)
	for c := NoOp + 1; c < codeCount; c++ {
		m[traits[c].name] = c
	}
	return m
}()

// ParseCode finds the operation with this abbreviation.
func ParseCode(name string) (Code, bool) {
	c, ok := codes[name]
	return c, ok
}

// Codes lists every operation in the order of their declaration.
func Codes() []Code {
	all := make([]Code, 0, codeCount-1)
	for c := NoOp + 1; c < codeCount; c++ {
		all = append(all, c)
	}
	return all
}

func (c Code) String() string {
	if c >= codeCount {
		return "?"
	}
	return traits[c].name
}

// Takes is the number of loops that one such operation takes from the needle.
func (c Code) Takes() int { return traits[c].takes }

// Makes is the number of loops that one such operation leaves.
func (c Code) Makes() int { return traits[c].makes }

// IsPurl says whether the operation is worked as a purl.
func (c Code) IsPurl() bool { return traits[c].purl }

// IsDecrease says whether the operation works several loops together.
func (c Code) IsDecrease() bool { return traits[c].takes > 1 }

// ClosesGap says whether the operation closes the gap that a turn left, when
// the work passes it with this operation or right after it.
func (c Code) ClosesGap() bool {
	switch c {
	case Kds, Pds, KW, PW, KPin, PPin, KLift, PLift:
		return true
	}
	return false
}

// IsIncrease says whether the operation leaves more loops than it takes, a cast-on aside.
func (c Code) IsIncrease() bool { return traits[c].makes > traits[c].takes }

// Op is one operation done N times in a row; for a cast-on and for unzipping, N is a number of loops.
type Op struct {
	Code Code
	N    int
}

func (o Op) String() string { return fmt.Sprintf("%s×%d", o.Code, o.N) }

// MarshalJSON writes the operation as ["k", 12].
func (o Op) MarshalJSON() ([]byte, error) {
	return fmt.Appendf(nil, "[%q,%d]", o.Code.String(), o.N), nil
}

// Ops are the operations of a row, in order.
type Ops []Op

// MarshalJSON writes all operations at once: a plan has thousands of them.
func (list Ops) MarshalJSON() ([]byte, error) {
	text := make([]byte, 0, 12*len(list)+2)
	text = append(text, '[')
	for i, o := range list {
		if i > 0 {
			text = append(text, ',')
		}
		text = append(text, `["`...)
		text = append(text, o.Code.String()...)
		text = append(text, `",`...)
		text = strconv.AppendInt(text, int64(o.N), 10)
		text = append(text, ']')
	}
	return append(text, ']'), nil
}

// MaxRepeat is the largest N that is read; no sock has more loops in a row.
const MaxRepeat = 4000

// UnmarshalJSON reads ["k", 12]; the error names what was read.
func (o *Op) UnmarshalJSON(text []byte) error {
	var pair []json.RawMessage
	if err := json.Unmarshal(text, &pair); err != nil || len(pair) != 2 {
		return fmt.Errorf("an operation is [name, count], read %s", clip(text))
	}
	var name string
	if err := json.Unmarshal(pair[0], &name); err != nil {
		return fmt.Errorf("the name of an operation is a string, read %s", clip(pair[0]))
	}
	code, ok := ParseCode(name)
	if !ok {
		return fmt.Errorf("unknown operation %q", name)
	}
	var n int
	if err := json.Unmarshal(pair[1], &n); err != nil || n < 1 || n > MaxRepeat {
		return fmt.Errorf("the count of %s is a whole number from 1 to %d, read %s", name, MaxRepeat, clip(pair[1]))
	}
	*o = Op{code, n}
	return nil
}

func clip(text []byte) string {
	const most = 40
	if len(text) > most {
		return string(text[:most]) + "…"
	}
	return string(text)
}
