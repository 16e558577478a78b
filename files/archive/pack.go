package archive

import (
	"archive/zip"
	"bytes"
	"crypto/sha256"
	"encoding/base64"
	"encoding/hex"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"regexp"
	"slices"
	"strings"
	"time"

	"acornstep/sock/needles/logbook"
)

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
		e.Plan, e.Second = e.Plan.Given(), e.Second.Given()
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

// Basket writes one archive of the archives of socks, as it goes: none of them stays in memory.
type Basket struct {
	zip  *zip.Writer
	m    Manifest
	size int
}

// NewBasket begins an archive.
func NewBasket(to io.Writer, carries Carries) (*Basket, error) {
	b := &Basket{zip: zip.NewWriter(to), m: Manifest{Format: Format, Version: Version, Kind: "basket", Name: "basket", Carries: carries,
		Files: []File{}}}
	return b, b.put("README.txt", []byte(readMe))
}

func (b *Basket) put(name string, text []byte) error {
	f, err := b.zip.CreateHeader(&zip.FileHeader{Name: name, Method: zip.Deflate, Modified: packed})
	if err == nil {
		_, err = f.Write(text)
	}
	if err != nil {
		return fmt.Errorf("archive: %w", err)
	}
	return nil
}

// Add packs a sock and writes it.
func (b *Basket) Add(s Sock) error {
	one, err := Pack(s, b.m.Carries)
	if err != nil {
		return err
	}
	sum := sha256.Sum256(one)
	name := fmt.Sprintf("socks/%03d-%s.zip", len(b.m.Files)+1, plainName(s.Name))
	b.m.Files = append(b.m.Files, File{name, len(one), hex.EncodeToString(sum[:])})
	b.size += len(one)
	return b.put(name, one)
}

// Full says whether another sock would make it larger than a part may be.
func (b *Basket) Full() bool { return len(b.m.Files) >= PartSocks || b.size >= PartBytes }

// Close writes the list of what is in it.
func (b *Basket) Close() error {
	about, err := json.MarshalIndent(b.m, "", " ")
	if err == nil {
		err = b.put(manifestName, about)
	}
	if err := errors.Join(err, b.zip.Close()); err != nil {
		return fmt.Errorf("archive: %w", err)
	}
	return nil
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
