package main

import (
	"context"
	"errors"
	"flag"
	"fmt"
	"log/slog"
	"net"
	"os"
	"os/signal"
	"path/filepath"
	"runtime/debug"
	"strings"
	"syscall"
	"time"

	"acornstep/demo"
	"acornstep/http"
	"acornstep/sqlite"
	"acornstep/ui"
)

// passphraseVariable holds the passphrase when no file is named.
const passphraseVariable = "ACORNSTEP_PASSPHRASE"

type serveFlags struct {
	address, db, passphraseFile, names, scale string
	verbose                                   bool
}

func (f *serveFlags) register(set *flag.FlagSet) {
	set.StringVar(&f.address, "listen", "127.0.0.1:7768", "address to listen on; any other than this machine's own needs a passphrase")
	set.StringVar(&f.passphraseFile, "passphrase-file", "", "file whose first line is the passphrase (or set "+passphraseVariable+")")
	set.StringVar(&f.names, "names", "", "host names, comma-separated, under which other devices reach this one")
	set.StringVar(&f.scale, "scale", "", "address of a kitchen scale, such as 127.0.0.1:7769 of acornstep scale")
	set.BoolVar(&f.verbose, "verbose", false, "log every request")
}

func runServe(args []string, s streams) error {
	var f serveFlags
	set := flags("serve", "serves the interface; your socks are kept in one file.", s)
	f.register(set)
	set.StringVar(&f.db, "db", "", "database file (default: acornstep/socks.db in your data folder)")
	if err := set.Parse(args); err != nil {
		return err
	}
	if f.db == "" {
		folder, err := dataFolder()
		if err != nil {
			return err
		}
		f.db = filepath.Join(folder, "acornstep", "socks.db")
	}
	return serve(f, s, nil)
}

func runDemo(args []string, s streams) error {
	var f serveFlags
	var folder string
	set := flags("demo", "serves the interface with made-up socks. Your own database is never touched.", s)
	f.register(set)
	set.StringVar(&folder, "folder", "", "folder for the demo's database (default: a temporary one, gone at the end)")
	if err := set.Parse(args); err != nil {
		return err
	}
	if folder == "" {
		temporary, err := os.MkdirTemp("", "acornstep-demo-")
		if err != nil {
			return fmt.Errorf("the demo needs a temporary folder: %w", err)
		}
		defer os.RemoveAll(temporary)
		folder = temporary
	}
	f.db = filepath.Join(folder, "demo.db")
	return serve(f, s, demo.Fill)
}

// dataFolder is where the system keeps a user's data.
func dataFolder() (string, error) {
	if folder := os.Getenv("XDG_DATA_HOME"); folder != "" {
		return folder, nil
	}
	home, err := os.UserHomeDir()
	if err != nil {
		return "", fmt.Errorf("there is no home folder; name the database with --db: %w", err)
	}
	return filepath.Join(home, ".local", "share"), nil
}

// heapGrowth lets the heap grow to five times what is live before it is
// collected: the live heap is a few megabytes, and a drag asks for a plan many times a second.
const heapGrowth = 400

// serve opens everything, fills a new database if asked to, and answers until it is told to stop.
func serve(f serveFlags, s streams, fill func(context.Context, *sqlite.Store) error) error {
	ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt, syscall.SIGTERM)
	defer stop()
	passphrase, err := readPassphrase(f)
	if err != nil {
		return err
	}
	if !isLoopback(f.address) && passphrase == "" {
		return fmt.Errorf("listening on %s lets other devices in: give a passphrase with --passphrase-file or %s", f.address, passphraseVariable)
	}
	level := slog.LevelInfo
	if f.verbose {
		level = slog.LevelDebug
	}
	log := slog.New(slog.NewTextHandler(s.err, &slog.HandlerOptions{Level: level}))
	store, err := sqlite.Open(ctx, f.db, time.Now)
	if err != nil {
		return err
	}
	defer store.Close()
	if fill != nil {
		if err := fill(ctx, store); err != nil {
			return fmt.Errorf("demo: %w", err)
		}
	}
	if os.Getenv("GOGC") == "" {
		debug.SetGCPercent(heapGrowth)
	}
	handler, err := http.New(http.Options{
		Basket: store, Feet: store, Swatches: store, Logbook: store, Interface: ui.Files(), Log: log, Version: version, Passphrase: passphrase, Names: splitNames(f.names), Scale: f.scale, Now: time.Now,
	})
	if err != nil {
		return err
	}
	listener, err := net.Listen("tcp", f.address)
	if err != nil {
		return fmt.Errorf("cannot listen on %s: %w", f.address, err)
	}
	fmt.Fprintf(s.out, "Acorn Step is at http://%s\nYour socks are in %s. Stop with Ctrl-C.\n", listener.Addr(), f.db)
	return errors.Join(http.Serve(ctx, listener, handler), store.Close())
}

func splitNames(names string) []string {
	var list []string
	for name := range strings.SplitSeq(names, ",") {
		if name = strings.ToLower(strings.TrimSpace(name)); name != "" {
			list = append(list, name)
		}
	}
	return list
}

func readPassphrase(f serveFlags) (string, error) {
	if f.passphraseFile == "" {
		return os.Getenv(passphraseVariable), nil
	}
	text, err := os.ReadFile(f.passphraseFile)
	if err != nil {
		return "", fmt.Errorf("--passphrase-file: %w", err)
	}
	line, _, _ := strings.Cut(string(text), "\n")
	if line = strings.TrimSpace(line); line == "" {
		return "", fmt.Errorf("--passphrase-file: the first line of %s is empty", f.passphraseFile)
	}
	return line, nil
}

func isLoopback(address string) bool {
	host, _, err := net.SplitHostPort(address)
	if err != nil {
		return false
	}
	ip := net.ParseIP(host)
	return host == "localhost" || ip != nil && ip.IsLoopback()
}
