// Package archive carries socks from one basket to another: a zip of files with
// readable names, and a manifest with a hash of each. docs/archive.md describes it.
package archive

import (
	"archive/zip"
	"bytes"
	"crypto/sha256"
	"encoding/base32"
	"encoding/base64"
	"encoding/hex"
	"encoding/json"
	"fmt"
	"io"
	"path"
	"regexp"
	"slices"
	"strings"
	"time"

	"acornstep/sock/check"
	"acornstep/sock/design"
	"acornstep/sock/document"
	"acornstep/sock/draft"
	"acornstep/sock/logbook"
	"acornstep/sock/plan"
	"acornstep/sock/verdict"
)

// The format of a manifest.
const (
	Format  = "acorn-step.archive"
	Version = 1
)

// Limits of an archive that is read: what is beyond them was not made by this program.
const (
	MostBytes    = 32 << 20
	mostFiles    = 2000
	mostUnpacked = 96 << 20
	mostOfOne    = 16 << 20
	mostSocks    = 500
)

// Carries says what of a person goes along; nothing does unless it is ticked.
type Carries struct {
	// Wearer is the name of whoever the sock is for, Dates when everything happened.
	Wearer bool `json:"wearer"`
	Dates  bool `json:"dates"`
}

// Sock is what an archive carries of a sock. Measurements, their history and cautions never go along: only the sizes it was made for.
type Sock struct {
	// ID is that of the sock where it was made: the same one comes twice under the same.
	ID     string      `json:"id"`
	Name   string      `json:"name"`
	Wearer string      `json:"wearer,omitempty"`
	Notes  string      `json:"notes"`
	Draft  draft.Draft `json:"draft"`
	// Swatch is the gauge that was taken, and what its yarn is called; nil when the figures were typed.
	Swatch   *Swatch         `json:"-"`
	Editions []Edition       `json:"-"`
	Events   []logbook.Event `json:"-"`
}

// Swatch is what a sock took of one.
type Swatch struct {
	Stitches float64 `json:"stitches_per_100mm"`
	Rounds   float64 `json:"rounds_per_100mm"`
	Yarn     string  `json:"yarn"`
}

// Edition is a version of the plan that the sock was knitted from.
type Edition struct {
	Version      int            `json:"version"`
	Reason       string         `json:"reason"`
	HeelPlace    string         `json:"heel_place"`
	Places       []int          `json:"places,omitempty"`
	SecondPlaces []int          `json:"second_places,omitempty"`
	Board        *design.Design `json:"board,omitempty"`
	Created      *time.Time     `json:"created,omitempty"`
	Plan         *plan.Plan     `json:"-"`
	Second       *plan.Plan     `json:"-"`
}

// Manifest lists what is in an archive.
type Manifest struct {
	Format  string  `json:"format"`
	Version int     `json:"version"`
	Kind    string  `json:"kind"` // sock or basket
	Name    string  `json:"name"`
	Carries Carries `json:"carries"`
	Files   []File  `json:"files"`
}

// File is one of them.
type File struct {
	Name   string `json:"name"`
	Bytes  int    `json:"bytes"`
	SHA256 string `json:"sha256"`
}

// Hash is the same for archives of the same content, whatever zip made of it.
func (m *Manifest) Hash() string {
	h := sha256.New()
	for _, f := range m.Files {
		if f.Name != swatchName { // a swatch belongs to its book: it is told, not taken
			fmt.Fprintf(h, "%s %s\n", f.Name, f.SHA256)
		}
	}
	return hex.EncodeToString(h.Sum(nil))
}

// CopyID is the id of a copy that lies beside a sock which differs from it: the same for the same archive.
func (m *Manifest) CopyID() string {
	const letters = 12
	sum := sha256.Sum256([]byte(m.Hash()))
	return base32.StdEncoding.EncodeToString(sum[:])[:letters]
}

// content are files before they are packed.
type content struct {
	names []string
	files map[string][]byte
}

func (c *content) add(name string, text []byte) {
	c.names = append(c.names, name)
	c.files[name] = text
}

func (c *content) json(name string, v any) error {
	text, err := json.MarshalIndent(v, "", " ")
	if err == nil {
		c.add(name, text)
	}
	return err
}

const picturePrefix = "data:image/jpeg;base64,"

// stripped is a sock without what is not ticked.
func stripped(s Sock, carries Carries) Sock {
	if !carries.Wearer {
		s.Wearer = ""
	}
	s.Events, s.Editions = slices.Clone(s.Events), slices.Clone(s.Editions)
	if !carries.Dates {
		for i := range s.Events {
			s.Events[i].At = 0
			if s.Events[i].Kind == logbook.Promised {
				s.Events[i].Text = ""
			}
		}
		for i := range s.Editions {
			s.Editions[i].Created = nil
		}
	}
	s.Draft.Design = withoutCautions(s.Draft.Design)
	for i := range s.Editions {
		e := &s.Editions[i]
		e.Plan, e.Second = uncautioned(e.Plan), uncautioned(e.Second)
		if e.Board != nil {
			board := *e.Board
			board.Foot.Cautions = nil
			e.Board = &board
		}
	}
	return s
}

func withoutCautions(tree map[string]any) map[string]any {
	foot, is := tree["foot"].(map[string]any)
	if !is || foot["cautions"] == nil {
		return tree
	}
	copied, inner := map[string]any{}, map[string]any{}
	for k, v := range tree {
		copied[k] = v
	}
	for k, v := range foot {
		if k != "cautions" {
			inner[k] = v
		}
	}
	copied["foot"] = inner
	return copied
}

// aboutPeople are the beginnings of what a plan says of whoever wears it, not of the sock.
var aboutPeople = []string{"circulation", "numb_", "allergy", "small_foot"}

func uncautioned(p *plan.Plan) *plan.Plan {
	if p == nil || len(p.Design.Foot.Cautions) == 0 {
		return p
	}
	copied := *p
	copied.Design.Foot.Cautions = nil
	copied.Checks = slices.DeleteFunc(slices.Clone(p.Checks), func(c verdict.Check) bool {
		return slices.ContainsFunc(aboutPeople, func(code string) bool { return strings.HasPrefix(c.Code, code) })
	})
	return &copied
}

// Pack makes the archive of a sock. Of the same sock it is the same, byte for byte.
func Pack(s Sock, carries Carries) ([]byte, error) {
	s = stripped(s, carries)
	c := content{files: map[string][]byte{}}
	if err := c.json("sock.json", s); err != nil {
		return nil, fmt.Errorf("archive: %w", err)
	}
	if s.Swatch != nil {
		if err := c.json(swatchName, s.Swatch); err != nil {
			return nil, fmt.Errorf("archive: %w", err)
		}
	}
	for i := range s.Editions {
		e := &s.Editions[i]
		name := fmt.Sprintf("plans/version-%d", e.Version)
		for _, part := range []struct {
			name string
			v    any
			some bool
		}{{name + "-about.json", e, true}, {name + ".json", e.Plan, true}, {name + "-second.json", e.Second, e.Second != nil}} {
			if !part.some {
				continue
			}
			if err := c.json(part.name, part.v); err != nil {
				return nil, fmt.Errorf("archive: %w", err)
			}
		}
	}
	events := slices.Clone(s.Events)
	for i := range events {
		encoded, is := strings.CutPrefix(events[i].Picture, picturePrefix)
		if !is {
			continue
		}
		photo, err := base64.StdEncoding.DecodeString(encoded)
		if err != nil {
			return nil, fmt.Errorf("archive: the photo of event %s: %w", events[i].ID, err)
		}
		name := fmt.Sprintf("photos/%03d.jpg", i+1)
		c.add(name, photo)
		events[i].Picture = name
	}
	if len(events) > 0 {
		if err := c.json("log.json", events); err != nil {
			return nil, fmt.Errorf("archive: %w", err)
		}
	}
	return pack("sock", s.Name, carries, &c)
}

// PackBasket makes one archive of the archives of socks.
func PackBasket(socks []Sock, carries Carries) ([]byte, error) {
	c := content{files: map[string][]byte{}}
	for i := range socks {
		one, err := Pack(socks[i], carries)
		if err != nil {
			return nil, err
		}
		c.add(fmt.Sprintf("socks/%03d-%s.zip", i+1, plainName(socks[i].Name)), one)
	}
	return pack("basket", "basket", carries, &c)
}

var unsafeLetters = regexp.MustCompile(`[^a-z0-9]+`)

func plainName(name string) string {
	name = strings.Trim(unsafeLetters.ReplaceAllString(strings.ToLower(name), "-"), "-")
	if name == "" {
		return "sock"
	}
	return name[:min(len(name), 40)]
}

// readMe is for whoever opens the zip by hand.
const readMe = "A sock of Acorn Step. manifest.json lists the files and their SHA-256 hashes;\nsock.json is the sock with its design, plans/ are the versions of its rows, log.json is what happened, photos/ are its pictures.\nOpen it on the basket of the program: let the zip fall there.\n"

// packed is when everything in an archive was packed: the same content is the same file.
var packed = time.Date(2000, 1, 1, 0, 0, 0, 0, time.UTC)

func pack(kind, name string, carries Carries, c *content) ([]byte, error) {
	m := Manifest{Format: Format, Version: Version, Kind: kind, Name: name, Carries: carries}
	for _, n := range c.names {
		sum := sha256.Sum256(c.files[n])
		m.Files = append(m.Files, File{n, len(c.files[n]), hex.EncodeToString(sum[:])})
	}
	about, err := json.MarshalIndent(m, "", " ")
	if err != nil {
		return nil, fmt.Errorf("archive: %w", err)
	}
	var b bytes.Buffer
	w := zip.NewWriter(&b)
	put := func(name string, text []byte) error {
		f, err := w.CreateHeader(&zip.FileHeader{Name: name, Method: zip.Deflate, Modified: packed})
		if err == nil {
			_, err = f.Write(text)
		}
		return err
	}
	if err := put("README.txt", []byte(readMe)); err != nil {
		return nil, fmt.Errorf("archive: %w", err)
	}
	if err := put(manifestName, about); err != nil {
		return nil, fmt.Errorf("archive: %w", err)
	}
	for _, n := range c.names {
		if err := put(n, c.files[n]); err != nil {
			return nil, fmt.Errorf("archive: %w", err)
		}
	}
	if err := w.Close(); err != nil {
		return nil, fmt.Errorf("archive: %w", err)
	}
	return b.Bytes(), nil
}

// Names that are asked for.
const (
	manifestName = "manifest.json"
	swatchName   = "swatch.json"
)

// names are those that a file of an archive can have.
var names = regexp.MustCompile(`^(sock\.json|log\.json|swatch\.json|plans/version-[1-9][0-9]{0,4}(-about|-second)?\.json|photos/[0-9]{3,6}\.jpg|socks/[0-9]{3,6}-[a-z0-9-]{1,40}\.zip)$`)

// refuse is a fault of an archive, in a sentence.
func refuse(format string, args ...any) error {
	return document.Faults{{Field: "archive", Message: fmt.Sprintf(format, args...)}}
}

// unpack reads the files of an archive and holds each against the manifest.
// What may be unpacked in all goes down with every byte, in the archives within it too.
func unpack(text []byte, room *int) (*Manifest, map[string][]byte, error) {
	if len(text) > MostBytes {
		return nil, nil, refuse("it has %d bytes; at most %d are read", len(text), MostBytes)
	}
	r, err := zip.NewReader(bytes.NewReader(text), int64(len(text)))
	if err != nil {
		return nil, nil, refuse("this is no zip: %v", err)
	}
	if len(r.File) > mostFiles {
		return nil, nil, refuse("it has %d files; at most %d are read", len(r.File), mostFiles)
	}
	files := map[string][]byte{}
	for _, f := range r.File {
		if f.Name == "README.txt" {
			continue
		}
		if f.Name != manifestName && !names.MatchString(f.Name) || f.Name != path.Clean(f.Name) {
			return nil, nil, refuse("the file %.60q has no place in an archive", f.Name)
		}
		if _, twice := files[f.Name]; twice {
			return nil, nil, refuse("the file %s is there twice", f.Name)
		}
		one, err := unpackOne(f)
		if err != nil {
			return nil, nil, err
		}
		// What is unpacked is counted, not what the zip says of itself.
		if *room -= len(one); *room < 0 {
			return nil, nil, refuse("unpacked it has more than %d bytes", mostUnpacked)
		}
		files[f.Name] = one
	}
	m, err := manifestOf(files)
	return m, files, err
}

func unpackOne(f *zip.File) ([]byte, error) {
	opened, err := f.Open()
	if err != nil {
		return nil, refuse("the file %s cannot be unpacked: %v", f.Name, err)
	}
	defer opened.Close()
	one, err := io.ReadAll(io.LimitReader(opened, mostOfOne+1))
	if err != nil {
		return nil, refuse("the file %s cannot be unpacked: %v", f.Name, err)
	}
	if len(one) > mostOfOne {
		return nil, refuse("the file %s has more than %d bytes", f.Name, mostOfOne)
	}
	return one, nil
}

// manifestOf reads the manifest and holds every file against it.
func manifestOf(files map[string][]byte) (*Manifest, error) {
	text, there := files[manifestName]
	if !there {
		return nil, refuse("it has no %s", manifestName)
	}
	var m Manifest
	if err := json.Unmarshal(text, &m); err != nil || m.Format != Format {
		return nil, refuse("its manifest is none of %s", Format)
	}
	if m.Version > Version {
		return nil, refuse("it has version %d; this program knows versions up to %d: a newer program made it", m.Version, Version)
	}
	delete(files, manifestName)
	if len(m.Files) != len(files) {
		return nil, refuse("its manifest lists %d files, it has %d", len(m.Files), len(files))
	}
	for _, f := range m.Files {
		one, there := files[f.Name]
		if !there {
			return nil, refuse("the file %.60q of its manifest is not there", f.Name)
		}
		if sum := sha256.Sum256(one); hex.EncodeToString(sum[:]) != f.SHA256 || len(one) != f.Bytes {
			return nil, refuse("the file %s is not the one that its manifest lists: it was changed, or damaged on its way", f.Name)
		}
	}
	return &m, nil
}

// Opened is an archive that was read.
type Opened struct {
	Manifest
	// Sock of an archive of one; Socks are the archives in that of a basket.
	Sock  *Sock
	Socks []Opened
}

// Open reads an archive of a sock or of a basket. What is wrong with it is document.Faults, in a sentence.
func Open(text []byte) (*Opened, error) {
	room := mostUnpacked
	m, files, err := unpack(text, &room)
	if err != nil {
		return nil, err
	}
	switch m.Kind {
	case "sock":
		s, err := sockOf(files)
		return &Opened{Manifest: *m, Sock: s}, err
	case "basket":
		o := &Opened{Manifest: *m}
		if len(m.Files) > mostSocks {
			return nil, refuse("it has %d socks; at most %d are read", len(m.Files), mostSocks)
		}
		for _, f := range m.Files {
			if !strings.HasPrefix(f.Name, "socks/") {
				return nil, refuse("the file %s has no place in the archive of a basket", f.Name)
			}
			inner, files, err := unpack(files[f.Name], &room)
			if err != nil {
				return nil, err
			}
			if inner.Kind != "sock" {
				return nil, refuse("%s is the archive of a %.20q, not of a sock", f.Name, inner.Kind)
			}
			s, err := sockOf(files)
			if err != nil {
				return nil, err
			}
			o.Socks = append(o.Socks, Opened{Manifest: *inner, Sock: s})
		}
		return o, nil
	}
	return nil, refuse("it is of the kind %.20q; this program knows sock and basket", m.Kind)
}

// sockOf puts a sock together again, and proves what it can.
func sockOf(files map[string][]byte) (*Sock, error) {
	var s Sock
	if err := strictly(files, "sock.json", &s); err != nil {
		return nil, err
	}
	if !ids.MatchString(s.ID) {
		return nil, refuse("its sock has the id %.40q; an id has 12 letters and digits", s.ID)
	}
	if _, there := files[swatchName]; there {
		s.Swatch = &Swatch{}
		if err := strictly(files, swatchName, s.Swatch); err != nil {
			return nil, err
		}
	}
	for v := 1; ; v++ {
		name := fmt.Sprintf("plans/version-%d", v)
		if _, there := files[name+".json"]; !there {
			break
		}
		e := Edition{}
		if err := strictly(files, name+"-about.json", &e); err != nil {
			return nil, err
		}
		if e.Version != v {
			return nil, refuse("%s-about.json is about version %d", name, e.Version)
		}
		var err error
		if e.Plan, err = planOf(files, name+".json"); err != nil {
			return nil, err
		}
		if _, there := files[name+"-second.json"]; there {
			if e.Second, err = planOf(files, name+"-second.json"); err != nil {
				return nil, err
			}
		}
		s.Editions = append(s.Editions, e)
	}
	if _, there := files["log.json"]; there {
		if err := strictly(files, "log.json", &s.Events); err != nil {
			return nil, err
		}
	}
	return &s, s.eventsOf(files)
}

var ids = regexp.MustCompile(`^[A-Z0-9]{12}$`)

// eventsOf takes the photos back into the events, and validates every one.
func (s *Sock) eventsOf(files map[string][]byte) error {
	seen := map[string]bool{}
	for i := range s.Events {
		e := &s.Events[i]
		if e.Picture != "" {
			photo, there := files[e.Picture]
			if !there || !strings.HasPrefix(e.Picture, "photos/") {
				return refuse("event %d names the photo %.60q, which is not there", i+1, e.Picture)
			}
			e.Picture = picturePrefix + base64.StdEncoding.EncodeToString(photo)
		}
		if seen[e.ID] {
			return refuse("the event %.60q is there twice", e.ID)
		}
		seen[e.ID] = true
		if e.Kind == logbook.Bent {
			if e.Version < 1 || e.Version > len(s.Editions) {
				return refuse("event %d tells of version %d; the archive has %d", i+1, e.Version, len(s.Editions))
			}
			continue // the program says these itself
		}
		if faults := e.Validate(); len(faults) > 0 {
			return refuse("event %d: %v", i+1, faults[0])
		}
		if e.Version > len(s.Editions) {
			return refuse("event %d was made on version %d; the archive has %d", i+1, e.Version, len(s.Editions))
		}
		if rows := len(s.Editions[e.Version-1].Plan.Rows); e.Row > rows {
			return refuse("event %d stands at row %d; its plan has %d", i+1, e.Row, rows)
		}
	}
	return nil
}

func planOf(files map[string][]byte, name string) (*plan.Plan, error) {
	p, err := plan.Read(files[name])
	if err != nil {
		return nil, refuse("%s: %v", name, err)
	}
	if faults := check.Kept(p); len(faults) > 0 {
		return nil, refuse("%s cannot be knitted as it stands: %v", name, faults[0])
	}
	return p, nil
}

// strictly reads one of the files.
func strictly(files map[string][]byte, name string, into any) error {
	text, there := files[name]
	if !there {
		return refuse("it has no %s", name)
	}
	d := json.NewDecoder(bytes.NewReader(text))
	d.DisallowUnknownFields()
	if err := d.Decode(into); err != nil {
		return refuse("%s: %v", name, err)
	}
	return nil
}
