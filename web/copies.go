package web

import (
	"context"
	"errors"
	"io"
	"net/http"
	"os"
	"sync"
	"time"

	"github.com/gin-gonic/gin"

	"acornstep/sock/figures/document"
	"acornstep/sock/papers/basket"
)

// Contents is what a data file holds, in the figures by which somebody recognises it.
type Contents struct {
	Socks  int `json:"socks"`
	Events int `json:"events"`
	// Last is when something in it was changed or knitted last; left out for an empty one.
	Last *time.Time `json:"last,omitempty"`
}

// Copy is one of the copies that are made by themselves.
type Copy struct {
	// ID is its name in the folder, which says its day.
	ID    string    `json:"id"`
	Made  time.Time `json:"made"`
	Bytes int64     `json:"bytes"`
}

// CopyStatus is what there is to go back to.
type CopyStatus struct {
	// On: a copy is made on each day on which something changed.
	On     bool   `json:"on"`
	Copies []Copy `json:"copies"`
	// Failed says why the last try did not come through; empty when it did.
	Failed string `json:"failed"`
	// Doubt says that the clock cannot have been right; empty when nothing speaks against it.
	Doubt string `json:"doubt"`
}

// Copies makes copies of the data file, and puts one in its place.
type Copies interface {
	Status(ctx context.Context) (CopyStatus, error)
	Contents(ctx context.Context) (Contents, error)
	// Fresh writes a copy of this moment into a file, which the caller removes.
	Fresh(ctx context.Context) (path string, err error)
	// Path is where a copy lies; basket.ErrNotFound when it does not.
	Path(id string) (string, error)
	// Look proves that a file is a whole copy, and says what it holds.
	Look(ctx context.Context, path string) (Contents, error)
	// Restore puts a file in the place of the data file, which is kept beside it.
	Restore(ctx context.Context, path string) error
}

// RestoreView is what would change when a copy was put in the place of what is there.
type RestoreView struct {
	ID    string   `json:"id"`
	There Contents `json:"there"`
	Now   Contents `json:"now"`
}

// Discards is the bin.
type Discards interface {
	Bin(ctx context.Context) ([]basket.Discarded, error)
	BringBack(ctx context.Context, kind, id string) error
	Remove(ctx context.Context, kind, id string) error
}

// BinList is what lies in the bin, the last deleted first.
type BinList struct {
	Things []basket.Discarded `json:"things"`
}

func (s *server) bin(c call[nothing]) (BinList, error) {
	list, err := s.Discards.Bin(c)
	return BinList{list}, err
}

const (
	// mostUpload is the largest copy that is taken; a busy household fills a tenth of it in years.
	mostUpload = 512 << 20
	// transferWithin is how long a copy may be on its way through a slow network.
	transferWithin = 10 * time.Minute
	uploaded       = "uploaded"
)

// upload is the one file that was sent here and not used yet.
type upload struct {
	sync.Mutex
	path string
}

// replace takes another file in the place of the one before, which is removed.
func (u *upload) replace(path string) {
	u.Lock()
	defer u.Unlock()
	if u.path != "" {
		_ = os.Remove(u.path)
	}
	u.path = path
}

var errNoCopies = document.Faults{{Message: "this program was started without a place for copies"}}

func (s *server) copies(c call[nothing]) (CopyStatus, error) {
	if s.Copies == nil {
		return CopyStatus{Copies: []Copy{}}, nil
	}
	return s.Copies.Status(c)
}

// copyPath is where the copy lies that a request names.
func (s *server) copyPath(id string) (string, error) {
	if s.Copies == nil {
		return "", errNoCopies
	}
	if id != uploaded {
		return s.Copies.Path(id)
	}
	s.upload.Lock()
	defer s.upload.Unlock()
	if s.upload.path == "" {
		return "", basket.ErrNotFound
	}
	return s.upload.path, nil
}

func (s *server) lookAtCopy(c call[nothing]) (RestoreView, error) {
	path, err := s.copyPath(c.ID)
	if err != nil {
		return RestoreView{}, err
	}
	return s.compared(c, c.ID, path)
}

func (s *server) compared(ctx context.Context, id, path string) (RestoreView, error) {
	there, err := s.Copies.Look(ctx, path)
	if err != nil {
		return RestoreView{}, document.Faults{{Message: err.Error()}}
	}
	now, err := s.Copies.Contents(ctx)
	return RestoreView{id, there, now}, err
}

func (s *server) restoreCopy(c call[nothing]) error {
	path, err := s.copyPath(c.ID)
	if err != nil {
		return err
	}
	// Whoever asked may leave: half a restore is none.
	if err := s.Copies.Restore(context.WithoutCancel(c), path); err != nil {
		return document.Faults{{Message: err.Error()}}
	}
	if c.ID == uploaded {
		s.upload.replace("")
	}
	return nil
}

// uploadCopy takes a copy from a device, looks into it and keeps it until it is restored or another comes.
func (s *server) uploadCopy(c *gin.Context) {
	if s.Copies == nil {
		s.failWith(c, errNoCopies)
		return
	}
	_ = http.NewResponseController(c.Writer).SetReadDeadline(time.Now().Add(transferWithin))
	file, err := os.CreateTemp("", "acornstep-upload-*.db")
	if err != nil {
		s.failWith(c, err)
		return
	}
	_, err = io.Copy(file, c.Request.Body)
	err = errors.Join(err, file.Close())
	var view RestoreView
	if err == nil {
		view, err = s.compared(c.Request.Context(), uploaded, file.Name())
	}
	if err != nil {
		_ = os.Remove(file.Name())
		s.failWith(c, err)
		return
	}
	s.upload.replace(file.Name())
	c.JSON(http.StatusOK, view)
}

// freshCopy sends a copy of this moment.
func (s *server) freshCopy(c *gin.Context) {
	if s.Copies == nil {
		s.failWith(c, errNoCopies)
		return
	}
	path, err := s.Copies.Fresh(c.Request.Context())
	if err != nil {
		s.failWith(c, err)
		return
	}
	defer os.Remove(path)
	sendFile(c, path, "acorn-step-"+s.Now().Format(time.DateOnly)+".db")
}

// dailyCopy sends one of the copies that were made by themselves.
func (s *server) dailyCopy(c *gin.Context) {
	path, err := s.copyPath(c.Param("id"))
	if err != nil {
		s.failWith(c, err)
		return
	}
	sendFile(c, path, c.Param("id"))
}

func sendFile(c *gin.Context, path, name string) {
	_ = http.NewResponseController(c.Writer).SetWriteDeadline(time.Now().Add(transferWithin))
	c.Header("Content-Type", "application/vnd.sqlite3")
	c.FileAttachment(path, name)
}
