package main

import (
	"context"
	"errors"
	"fmt"
	"io/fs"
	"log/slog"
	"net/http"
	"os"
	"path/filepath"
	"strings"
	"sync"
	"time"

	"acornstep/sock/papers/basket"
	"acornstep/sqlite"
	"acornstep/web"
)

// house is the program around one data file, which can be changed for a copy while it runs.
type house struct {
	data string
	// folder is where a copy of each day goes; empty for none.
	folder string
	log    *slog.Logger
	// open makes the program around an open file.
	open func(*sqlite.Store) (http.Handler, error)

	// inside is held by every request while it is worked for, and alone by whoever changes the file.
	inside  sync.RWMutex
	store   *sqlite.Store
	handler http.Handler

	told   sync.Mutex
	failed string
}

// settle puts a store in place, with everything around it.
func (h *house) settle(store *sqlite.Store) error {
	handler, err := h.open(store)
	if err == nil {
		h.store, h.handler = store, handler
	}
	return err
}

// ServeHTTP implements net/web.Handler.
func (h *house) ServeHTTP(w http.ResponseWriter, r *http.Request) {
	web.Around{Enter: h.enter}.ServeHTTP(w, r)
}

// enter gives the program that answers now; the file behind it is not changed until leave is called.
func (h *house) enter() (inside http.Handler, leave func()) {
	h.inside.RLock()
	return h.handler, h.inside.RUnlock
}

// hold keeps the file from being changed until the answer is called.
func (h *house) hold() (release func()) {
	h.inside.RLock()
	return h.inside.RUnlock
}

// Close closes the file that is open now.
func (h *house) Close() error { return h.store.Close() }

// Status implements web.Copies.
func (h *house) Status(context.Context) (web.CopyStatus, error) {
	h.told.Lock()
	status := web.CopyStatus{On: h.folder != "", Copies: []web.Copy{}, Failed: h.failed}
	h.told.Unlock()
	if !status.On {
		return status, nil
	}
	list, err := sqlite.Copies(h.folder)
	for _, c := range list {
		status.Copies = append(status.Copies, web.Copy{ID: c.Name, Made: c.Made, Bytes: c.Bytes})
	}
	if early := sqlite.Ahead(list, time.Now()); len(early) > 0 {
		status.Doubt = fmt.Sprintf("The clock of this machine was ahead when %s was made, or it is behind today. Copies are made all the same, each under the day that the clock says.", early[0].Name)
	}
	return status, err
}

// Contents implements web.Copies.
func (h *house) Contents(ctx context.Context) (web.Contents, error) {
	h.inside.RLock()
	defer h.inside.RUnlock()
	c, err := h.store.Contents(ctx)
	return contentsOf(c), err
}

func contentsOf(c sqlite.Contents) web.Contents {
	v := web.Contents{Socks: c.Socks, Events: c.Events}
	if !c.Last.IsZero() {
		v.Last = &c.Last
	}
	return v
}

// Fresh implements web.Copies.
func (h *house) Fresh(ctx context.Context) (string, error) {
	folder, err := os.MkdirTemp("", "acornstep-copy-")
	if err != nil {
		return "", err
	}
	path := filepath.Join(folder, "copy.db")
	h.inside.RLock()
	defer h.inside.RUnlock()
	if err := h.store.CopyTo(ctx, path); err != nil {
		return "", errors.Join(err, os.RemoveAll(folder))
	}
	return path, nil
}

// Path implements web.Copies.
func (h *house) Path(id string) (string, error) {
	list, err := sqlite.Copies(h.folder)
	for _, c := range list {
		if c.Name == id {
			return filepath.Join(h.folder, id), nil
		}
	}
	return "", errors.Join(err, basket.ErrNotFound)
}

// Look implements web.Copies.
func (h *house) Look(ctx context.Context, path string) (web.Contents, error) {
	c, err := sqlite.ContentsOf(ctx, path)
	if err != nil {
		// The place is this machine's own affair.
		err = fmt.Errorf("the copy cannot be used: %s", strings.TrimPrefix(err.Error(), path+": "))
	}
	return contentsOf(c), err
}

// Restore implements web.Copies. The copy is brought up to date beside the data
// file first: one that cannot be opened changes nothing.
func (h *house) Restore(ctx context.Context, path string) error {
	folder, err := os.MkdirTemp(filepath.Dir(h.data), ".acornstep-restore-")
	if err != nil {
		return err
	}
	defer os.RemoveAll(folder)
	ready := filepath.Join(folder, "ready.db")
	if _, err := sqlite.Backup(ctx, path, ready); err != nil {
		return err
	}
	next, err := sqlite.Open(ctx, ready, time.Now)
	if err != nil {
		return err
	}
	if err := next.Close(); err != nil {
		return err
	}
	h.inside.Lock()
	defer h.inside.Unlock()
	if err := h.store.Close(); err != nil {
		return err
	}
	aside, err := sqlite.Restore(ctx, ready, h.data, time.Now())
	if err != nil {
		h.log.Error("a copy could not be restored", "error", err)
	} else {
		h.log.Info("a copy was restored", "what was there", aside)
	}
	// Whichever file is in place now, the program goes on with it.
	store, opened := sqlite.Open(ctx, h.data, time.Now)
	if opened != nil {
		return errors.Join(err, opened)
	}
	return errors.Join(err, h.settle(store))
}

// lookEvery is how often it is seen whether a new day's copy is due.
const lookEvery = time.Hour

// keep makes a copy on every day on which something changed, and empties the bin of what is too old, until the context ends.
func (h *house) keep(ctx context.Context) {
	ticker := time.NewTicker(lookEvery)
	defer ticker.Stop()
	for {
		h.keepNow(ctx)
		select {
		case <-ticker.C:
		case <-ctx.Done():
			return
		}
	}
}

func (h *house) keepNow(ctx context.Context) {
	h.inside.RLock()
	defer h.inside.RUnlock()
	failed := ""
	if h.folder != "" {
		if err := h.store.CopyOfDay(ctx, h.folder); err != nil && ctx.Err() == nil {
			h.log.Error("no copy could be made today", "error", err)
			if failed, _ = h.store.Trouble(err); failed == "" {
				failed = err.Error()
			}
		}
	}
	h.told.Lock()
	h.failed = failed
	h.told.Unlock()
	if err := h.store.EmptyBin(ctx); err != nil && ctx.Err() == nil {
		h.log.Error("the bin could not be emptied", "error", err)
	}
	if err := sqlite.Sweep(h.data, time.Now()); err != nil {
		h.log.Error("what was left half made could not be cleaned away", "error", err)
	}
}

// copiesFolder is where copies go: beside the data file unless somewhere is named; "none" for nowhere.
func copiesFolder(named, data string) (string, error) {
	switch named {
	case "none":
		return "", nil
	case "":
		return filepath.Join(filepath.Dir(data), "copies"), nil
	}
	info, err := os.Stat(named)
	switch {
	case errors.Is(err, fs.ErrNotExist):
		return "", fmt.Errorf("--copies: there is no folder %s: make it, or plug in the disk it is on", named)
	case err == nil && !info.IsDir():
		return "", fmt.Errorf("--copies: %s is no folder", named)
	}
	return named, err
}
