package pdf

import (
	"bytes"
	"compress/zlib"
	"encoding/binary"
	"fmt"
	"io"
)

// Sizes of the parts of a font file, in bytes.
const (
	woffHeader, woffEntry = 44, 20
	sfntHeader, sfntEntry = 12, 16
	largestTable          = 1 << 20
)

// trueType unpacks a font from the Web Open Font Format: the same tables, each
// packed by zlib where that makes it smaller (https://www.w3.org/TR/WOFF).
func trueType(woff []byte) ([]byte, error) {
	if len(woff) < woffHeader || string(woff[:4]) != "wOFF" {
		return nil, fmt.Errorf("font: this is no WOFF file")
	}
	be := binary.BigEndian
	flavor, tables := be.Uint32(woff[4:]), int(be.Uint16(woff[12:]))
	if len(woff) < woffHeader+tables*woffEntry {
		return nil, fmt.Errorf("font: its directory of %d tables is cut off", tables)
	}
	selector := 0
	for 1<<(selector+1) <= tables {
		selector++
	}
	var head, body bytes.Buffer
	put := func(values ...any) {
		for _, v := range values {
			_ = binary.Write(&head, be, v) // a buffer takes everything
		}
	}
	search := uint16(1 << selector * sfntEntry)
	put(flavor, uint16(tables), search, uint16(selector), uint16(tables*sfntEntry)-search)
	for i := range tables {
		entry := woff[woffHeader+i*woffEntry:]
		offset, packed, size := int(be.Uint32(entry[4:])), int(be.Uint32(entry[8:])), int(be.Uint32(entry[12:]))
		if offset < 0 || packed < 0 || offset+packed > len(woff) || size > largestTable {
			return nil, fmt.Errorf("font: table %q lies outside the file", entry[:4])
		}
		table := woff[offset : offset+packed]
		if packed < size {
			r, err := zlib.NewReader(bytes.NewReader(table))
			if err != nil {
				return nil, fmt.Errorf("font: table %q: %w", entry[:4], err)
			}
			if table, err = io.ReadAll(io.LimitReader(r, int64(size)+1)); err != nil || len(table) != size {
				return nil, fmt.Errorf("font: table %q has %d bytes, not %d: %w", entry[:4], len(table), size, err)
			}
		}
		put(entry[:4], be.Uint32(entry[16:]), uint32(sfntHeader+tables*sfntEntry+body.Len()), uint32(size))
		body.Write(table)
		for body.Len()%4 != 0 {
			body.WriteByte(0)
		}
	}
	return append(head.Bytes(), body.Bytes()...), nil
}
