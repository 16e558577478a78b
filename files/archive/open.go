package archive

import (
	"archive/zip"
	"bytes"
	"crypto/sha256"
	"encoding/base64"
	"encoding/hex"
	"encoding/json"
	"fmt"
	"io"
	"path"
	"regexp"
	"strings"

	"acornstep/sock/craft/check"
	"acornstep/sock/figures/document"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
)

// names are those that a file of an archive can have.
var names = regexp.MustCompile(`^(sock\.json|log\.json|swatch\.json|plans/version-[1-9][0-9]{0,4}(-about|-second)?\.json|photos/[0-9]{3,6}\.jpg|socks/[0-9]{3,6}-[a-z0-9-]{1,40}\.zip)$`)

// refuse is a fault of an archive, in a sentence.
func refuse(format string, args ...any) error {
	return document.Faults{{Field: "archive", Message: fmt.Sprintf(format, args...)}}
}

// listed reads what a zip has: every file once, under a name that has a place.
func listed(at io.ReaderAt, size int64) (map[string]*zip.File, error) {
	if size > MostBytes {
		return nil, refuse("it has %d bytes; at most %d are read", size, MostBytes)
	}
	r, err := zip.NewReader(at, size)
	if err != nil {
		return nil, refuse("this is no zip: %v", err)
	}
	if len(r.File) > mostFiles {
		return nil, refuse("it has %d files; at most %d are read", len(r.File), mostFiles)
	}
	files := map[string]*zip.File{}
	for _, f := range r.File {
		if f.Name == "README.txt" {
			continue
		}
		if f.Name != manifestName && !names.MatchString(f.Name) || f.Name != path.Clean(f.Name) {
			return nil, refuse("the file %.60q has no place in an archive", f.Name)
		}
		if _, twice := files[f.Name]; twice {
			return nil, refuse("the file %s is there twice", f.Name)
		}
		files[f.Name] = f
	}
	return files, nil
}

// budget is how many bytes may still be unpacked. What is unpacked is counted, not what a zip says of itself.
type budget struct{ left, most int }

func (b *budget) unpack(f *zip.File) ([]byte, error) {
	one, err := unpackOne(f)
	if err != nil {
		return nil, err
	}
	if b.left -= len(one); b.left < 0 {
		return nil, refuse("unpacked it has more than %d bytes", b.most)
	}
	return one, nil
}

// manifestOf reads the manifest of a zip, which names each of its files.
func manifestOf(files map[string]*zip.File, left *budget) (*Manifest, error) {
	f, there := files[manifestName]
	if !there {
		return nil, refuse("it has no %s", manifestName)
	}
	text, err := left.unpack(f)
	if err != nil {
		return nil, err
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
	for _, one := range m.Files {
		if _, there := files[one.Name]; !there {
			return nil, refuse("the file %.60q of its manifest is not there", one.Name)
		}
	}
	return &m, nil
}

// asListed unpacks a file and holds it against the manifest.
func asListed(f *zip.File, as File, left *budget) ([]byte, error) {
	one, err := left.unpack(f)
	if err != nil {
		return nil, err
	}
	if sum := sha256.Sum256(one); hex.EncodeToString(sum[:]) != as.SHA256 || len(one) != as.Bytes {
		return nil, refuse("the file %s is not the one that its manifest lists: it was changed, or damaged on its way", as.Name)
	}
	return one, nil
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

// Opened is the archive of a sock that was read.
type Opened struct {
	Manifest
	Sock *Sock
}

// Reader reads the socks of an archive one after another, however many there are.
type Reader struct {
	Manifest
	files map[string]*zip.File
	left  budget
}

// NewReader looks into an archive of a sock or of a basket. What is wrong with it is document.Faults, in a sentence.
func NewReader(at io.ReaderAt, size int64) (*Reader, error) {
	files, err := listed(at, size)
	if err != nil {
		return nil, err
	}
	r := &Reader{files: files, left: budget{mostUnpacked, mostUnpacked}}
	m, err := manifestOf(files, &r.left)
	if err != nil {
		return nil, err
	}
	r.Manifest = *m
	switch m.Kind {
	case "sock":
		r.left = budget{mostOfSock, mostOfSock}
	case "basket":
		for _, f := range m.Files {
			if !strings.HasPrefix(f.Name, "socks/") {
				return nil, refuse("the file %s has no place in the archive of a basket", f.Name)
			}
		}
	default:
		return nil, refuse("it is of the kind %.20q; this program knows sock and basket", m.Kind)
	}
	return r, nil
}

// Each gives every sock, or what is wrong with it, in the order of the archive, until the answer is an error. The
// name is that of its file in the archive of a basket.
func (r *Reader) Each(take func(name string, o *Opened, wrong error) error) error {
	if r.Kind == "sock" {
		o, err := r.sock()
		return take(r.Name, o, err)
	}
	for _, f := range r.Files {
		o, err := r.inner(f)
		if err := take(f.Name, o, err); err != nil {
			return err
		}
	}
	return nil
}

func (r *Reader) inner(f File) (*Opened, error) {
	text, err := asListed(r.files[f.Name], f, &r.left)
	if err != nil {
		return nil, err
	}
	within, err := NewReader(bytes.NewReader(text), int64(len(text)))
	if err != nil {
		return nil, err
	}
	if within.Kind != "sock" {
		return nil, refuse("%s is the archive of a %.20q, not of a sock", f.Name, within.Kind)
	}
	return within.sock()
}

func (r *Reader) sock() (*Opened, error) {
	files := map[string][]byte{}
	for _, f := range r.Files {
		one, err := asListed(r.files[f.Name], f, &r.left)
		if err != nil {
			return nil, err
		}
		files[f.Name] = one
	}
	s, err := sockOf(files)
	if err != nil {
		return nil, err
	}
	return &Opened{r.Manifest, s}, nil
}

// Open reads the archive of one sock.
func Open(text []byte) (*Opened, error) {
	r, err := NewReader(bytes.NewReader(text), int64(len(text)))
	if err != nil {
		return nil, err
	}
	if r.Kind != "sock" {
		return nil, refuse("it is the archive of a %.20q, not of a sock", r.Kind)
	}
	return r.sock()
}

// sockOf puts a sock together again, and proves what it can.
func sockOf(files map[string][]byte) (*Sock, error) {
	var s Sock
	if n := len(files["sock.json"]); n > mostOfDraft {
		return nil, refuse("its sock.json has %d bytes; a design has at most %d", n, mostOfDraft)
	}
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
		if _, there := files[editionName(v)+".json"]; !there {
			break
		}
		e, err := editionOf(files, v)
		if err != nil {
			return nil, err
		}
		if e.Undecided != nil {
			if err := e.Undecided.Check(v); err != nil {
				return nil, refuse("version %d: %v", v, err)
			}
		}
		if v > 1 {
			if err := e.follows(&s.Editions[v-2]); err != nil {
				return nil, refuse("%v", err)
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

// editionName is how the files of an edition begin.
func editionName(v int) string { return fmt.Sprintf("plans/version-%d", v) }

// editionOf reads one edition: what it is about, the plans of both socks, and the board by which it was decided.
func editionOf(files map[string][]byte, v int) (Edition, error) {
	var e Edition
	name := editionName(v)
	if err := strictly(files, name+"-about.json", &e); err != nil {
		return e, err
	}
	if e.Version != v {
		return e, refuse("%s-about.json is about version %d", name, e.Version)
	}
	var err error
	if e.Plan, err = planOf(files, name+".json"); err != nil {
		return e, err
	}
	if _, there := files[name+"-second.json"]; there {
		if e.Second, err = planOf(files, name+"-second.json"); err != nil {
			return e, err
		}
	}
	if e.Board == nil {
		return e, nil
	}
	text, err := json.Marshal(e.Board)
	if err == nil {
		_, err = design.Read(text)
	}
	if err != nil {
		return e, refuse("the board of version %d: %v", v, err)
	}
	return e, nil
}

var ids = regexp.MustCompile(`^[A-Z0-9]{12}$`)

// eventsOf takes the photos back into the events, and validates every one.
func (s *Sock) eventsOf(files map[string][]byte) error {
	seen := map[string]bool{}
	clock := int64(0)
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
		if faults := e.Kept(clock, s.rows); len(faults) > 0 {
			return refuse("event %d: %v", i+1, faults[0])
		}
		clock = max(clock, e.Clock)
	}
	return nil
}

// rows is how many rows a sock has in a version.
func (s *Sock) rows(sock, version int) (int, bool) {
	if version < 1 || version > len(s.Editions) {
		return 0, false
	}
	return len(s.Editions[version-1].planOf(sock).Rows), true
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
