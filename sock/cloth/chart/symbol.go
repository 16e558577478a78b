package chart

import "acornstep/sock/rows/needle"

// Line is a stroke of a symbol through points of a cell: x from 0 to 1 to the right, y from 0 to 1 downwards.
type Line [][2]float64

// Symbol is how a stitch is drawn in its cell, as the right side shows it. The smooth face of a knit is the empty cell.
type Symbol struct {
	// Name is its key; Text says what it is, in the order "on the right side, on the wrong side" where that differs.
	Name  string `json:"name"`
	Text  string `json:"text"`
	Lines []Line `json:"lines"`
	// Filled symbols are areas, told from strokes without colour.
	Filled bool `json:"filled,omitempty"`
}

// The shapes of which symbols are made.
var (
	bar     = Line{{0.25, 0.5}, {0.75, 0.5}}
	slant   = Line{{0.2, 0.8}, {0.8, 0.2}}
	back    = Line{{0.2, 0.2}, {0.8, 0.8}}
	ring    = Line{{0.5, 0.22}, {0.7, 0.3}, {0.78, 0.5}, {0.7, 0.7}, {0.5, 0.78}, {0.3, 0.7}, {0.22, 0.5}, {0.3, 0.3}, {0.5, 0.22}}
	foot    = Line{{0.5, 0.8}, {0.5, 0.45}}
	fork    = Line{{0.25, 0.2}, {0.5, 0.5}, {0.75, 0.2}}
	arch    = Line{{0.25, 0.8}, {0.27, 0.4}, {0.5, 0.2}, {0.73, 0.4}, {0.75, 0.8}}
	wave    = Line{{0.15, 0.6}, {0.35, 0.4}, {0.65, 0.6}, {0.85, 0.4}}
	cup     = Line{{0.2, 0.35}, {0.3, 0.7}, {0.7, 0.7}, {0.8, 0.35}}
	cross   = Line{{0.3, 0.7}, {0.7, 0.3}}
	block   = Line{{0.2, 0.2}, {0.8, 0.2}, {0.8, 0.8}, {0.2, 0.8}}
	lozenge = Line{{0.5, 0.2}, {0.8, 0.5}, {0.5, 0.8}, {0.2, 0.5}, {0.5, 0.2}}
	dot     = Line{{0.42, 0.42}, {0.58, 0.42}, {0.58, 0.58}, {0.42, 0.58}}
	tick    = Line{{0.5, 0.15}, {0.5, 0.4}}
	twoLegs = Line{{0.3, 0.8}, {0.35, 0.25}, {0.5, 0.2}, {0.5, 0.8}, {0.5, 0.2}, {0.65, 0.25}, {0.7, 0.8}}
	upward  = Line{{0.5, 0.8}, {0.5, 0.25}, {0.3, 0.45}}
	other   = Line{{0.5, 0.25}, {0.7, 0.45}}
)

// symbols are those of all operations that leave something in a cell. An operation without one fails a test.
var symbols = map[needle.Code]Symbol{
	needle.CO:      {"cast-on", "cast on", []Line{cup}, false},
	needle.COChain: {"chain", "cast on over a chain", []Line{cup, dot}, false},
	needle.Unzip:   {"undone", "taken from the chain", []Line{cup, tick}, false},
	needle.K:       {"knit", "knit on RS, purl on WS", nil, false},
	needle.P:       {"purl", "purl on RS, knit on WS", []Line{bar}, false},
	needle.Ktbl:    {"twisted", "through the back loop", []Line{{{0.3, 0.8}, {0.7, 0.3}, {0.5, 0.15}, {0.3, 0.3}, {0.7, 0.8}}}, false},
	needle.Ptbl: {"twisted-purl", "through the back loop, purl on RS",
		[]Line{{{0.3, 0.8}, {0.7, 0.3}, {0.5, 0.15}, {0.3, 0.3}, {0.7, 0.8}}, bar}, false},
	needle.Kfb: {"front-back", "front and back: one of two", []Line{fork, foot}, false},
	needle.Pfb: {"front-back-purl", "purled front and back: one of two", []Line{fork, foot, {{0.3, 0.9}, {0.7, 0.9}}}, false},
	needle.M1:  {"made", "made of the strand", []Line{upward, other}, false},
	needle.M1L: {"made-left", "made, leaning left", []Line{{{0.75, 0.8}, {0.35, 0.25}}, {{0.35, 0.55}, {0.35, 0.25}, {0.62, 0.3}}},
		false},
	needle.M1R: {"made-right", "made, leaning right", []Line{{{0.25, 0.8}, {0.65, 0.25}}, {{0.65, 0.55}, {0.65, 0.25}, {0.38, 0.3}}},
		false},
	needle.M1P:   {"made-purl", "made of the strand, purled", []Line{upward, other, {{0.3, 0.9}, {0.7, 0.9}}}, false},
	needle.PU:    {"picked-up", "picked up along an edge", []Line{arch, dot}, false},
	needle.PC:    {"corner", "made in the corner", []Line{arch, foot}, false},
	needle.Sl:    {"slipped", "slipped", []Line{{{0.3, 0.85}, {0.5, 0.15}, {0.7, 0.85}}}, false},
	needle.K2tog: {"two-right", "two together, leaning right", []Line{slant, {{0.5, 0.5}, {0.8, 0.8}}}, false},
	needle.SSK:   {"two-left", "two together, leaning left", []Line{back, {{0.5, 0.5}, {0.2, 0.8}}}, false},
	needle.P2tog: {"two-right-ws", "two purled together", []Line{slant, {{0.5, 0.5}, {0.8, 0.8}}, tick}, false},
	needle.SSP:   {"two-left-ws", "two purled together through the back", []Line{back, {{0.5, 0.5}, {0.2, 0.8}}, tick}, false},
	needle.K3tog: {"three-right", "three together, leaning right", []Line{slant, {{0.5, 0.5}, {0.8, 0.8}}, {{0.5, 0.5}, {0.5, 0.85}}},
		false},
	needle.SSSK: {"three-left", "three together, leaning left", []Line{back, {{0.5, 0.5}, {0.2, 0.8}}, {{0.5, 0.5}, {0.5, 0.85}}},
		false},
	needle.P3tog: {"three-right-ws", "three purled together", []Line{slant, {{0.5, 0.5}, {0.8, 0.8}}, {{0.5, 0.5}, {0.5, 0.85}}, tick},
		false},
	needle.SSSP: {"three-left-ws", "three purled together through the back",
		[]Line{back, {{0.5, 0.5}, {0.2, 0.8}}, {{0.5, 0.5}, {0.5, 0.85}}, tick}, false},
	needle.YO:    {"over", "yarn over", []Line{ring}, false},
	needle.DS:    {"double", "double stitch", []Line{twoLegs}, false},
	needle.Kds:   {"double-worked", "both legs worked as one", []Line{lozenge}, false},
	needle.Pds:   {"double-worked", "both legs worked as one", []Line{lozenge}, false},
	needle.WT:    {"wrapped", "wrapped, and the work turned", []Line{wave, {{0.5, 0.6}, {0.5, 0.85}}}, false},
	needle.KW:    {"wrap-worked", "worked with its wrap", []Line{wave, {{0.5, 0.4}, {0.5, 0.15}}}, false},
	needle.PW:    {"wrap-worked", "worked with its wrap", []Line{wave, {{0.5, 0.4}, {0.5, 0.15}}}, false},
	needle.SlPin: {"pinned", "slipped, with a pin", []Line{{{0.3, 0.85}, {0.5, 0.15}, {0.7, 0.85}}, {{0.4, 0.6}, {0.6, 0.6}}}, false},
	needle.KPin:  {"pin-worked", "worked with the pinned loop", []Line{slant, dot}, false},
	needle.PPin:  {"pin-worked", "worked with the pinned loop", []Line{slant, dot}, false},
	needle.KLift: {"lift-worked", "worked with the lifted strand", []Line{cross, {{0.5, 0.5}, {0.5, 0.85}}}, false},
	needle.PLift: {"lift-worked", "worked with the lifted strand", []Line{cross, {{0.5, 0.5}, {0.5, 0.85}}}, false},
	needle.BO:    {"bound-off", "bound off", []Line{{{0.2, 0.6}, {0.5, 0.35}, {0.8, 0.6}}}, false},
	needle.Turn:  {"turn", "the work is turned here", []Line{{{0.2, 0.3}, {0.8, 0.3}, {0.8, 0.7}, {0.2, 0.7}}}, false},
	needle.Start: {"start", "the round begins here", []Line{block}, true},
}

// rests is a stitch that waits: its row is not worked there.
var rests = Symbol{"rests", "waits, not worked", []Line{dot}, true}
