package sqlite

import (
	"errors"
	"fmt"
	"os"
	"syscall"
)

// errInUse is given when a program has the data file open.
var errInUse = errors.New("a program has this data file open: stop it first")

// lockWith says to other programs, through a file beside the data file, how it
// is used here. The system lets go of it when the program ends, however it ends. The file itself stays: deleting
// it would let two programs hold two locks of one name.
func lockWith(data string, how int) (*os.File, error) {
	file, err := os.OpenFile(data+".lock", os.O_RDWR|os.O_CREATE, 0o600)
	if err != nil {
		return nil, err
	}
	switch err := syscall.Flock(int(file.Fd()), how|syscall.LOCK_NB); {
	case errors.Is(err, syscall.EWOULDBLOCK):
		return nil, errors.Join(errInUse, file.Close())
	case err != nil:
		return nil, errors.Join(fmt.Errorf("lock: %w", err), file.Close())
	}
	return file, nil
}

// lockShared is for programs that read and write: SQLite keeps them apart.
func lockShared(data string) (*os.File, error) { return lockWith(data, syscall.LOCK_SH) }

// lockAlone is for one that puts another file in the place.
func lockAlone(data string) (*os.File, error) { return lockWith(data, syscall.LOCK_EX) }
