package main

import (
	"context"
	"crypto/tls"
	"errors"
	"flag"
	"fmt"
	"log/slog"
	"net"
	"net/http"
	"os"
	"os/signal"
	"path/filepath"
	"runtime/debug"
	"slices"
	"strings"
	"syscall"
	"time"
	"unicode/utf8"

	"golang.org/x/sync/errgroup"

	"acornstep/demo"
	"acornstep/sqlite"
	"acornstep/ui"
	"acornstep/web"
)

// passphraseVariable holds the passphrase when no file is named.
const passphraseVariable = "ACORNSTEP_PASSPHRASE"

// fewestLetters of a passphrase that strangers on the network can try.
const fewestLetters = 8

type serveFlags struct {
	address, db, passphraseFile, names, scale, copies string
	tlsCert, tlsKey, movedFrom                        string
	verbose, proxy                                    bool
}

func (f *serveFlags) register(set *flag.FlagSet) {
	set.StringVar(&f.address, "listen", "127.0.0.1:7768", "address to listen on; any other than this machine's own needs a passphrase")
	set.StringVar(&f.passphraseFile, "passphrase-file", "", "file whose first line is the passphrase (or set "+passphraseVariable+")")
	set.StringVar(&f.names, "names", "", "host names, comma-separated, under which other devices reach this one; needs a passphrase")
	set.BoolVar(&f.proxy, "proxy", false, "a proxy on this machine passes requests on: it is believed what it says of whoever asks (X-Forwarded-For, X-Forwarded-Proto), and passes the host on")
	set.StringVar(&f.scale, "scale", "", "address of a kitchen scale, such as 127.0.0.1:7769 of acornstep scale")
	set.StringVar(&f.copies, "copies", "", "folder for a copy of each day on which something changed, best on another disk (default: copies beside the database; none for no copies)")
	set.StringVar(&f.tlsCert, "tls-cert", "", "certificate for https, as acornstep certificate makes it")
	set.StringVar(&f.tlsKey, "tls-key", "", "key of that certificate")
	set.StringVar(&f.movedFrom, "moved-from", "", "address without https at which the program was before: pages that are open there hand over what they keep")
	set.BoolVar(&f.verbose, "verbose", false, "log every request")
}

func runServe(args []string, s streams) error {
	var f serveFlags
	set := flags("serve", "serves the interface; your socks are kept in one file.", s)
	f.register(set)
	set.StringVar(&f.db, "db", "", dbUsage)
	if err := set.Parse(args); err != nil {
		return err
	}
	if err := orDataFile(&f.db); err != nil {
		return err
	}
	return serve(f, s, nil)
}

// dbUsage explains the flag --db.
const dbUsage = "database file (default: acornstep/socks.db in your data folder)"

// orDataFile names the usual data file where none is named.
func orDataFile(path *string) error {
	if *path != "" {
		return nil
	}
	folder, err := dataFolder()
	if err == nil {
		*path = filepath.Join(folder, "acornstep", "socks.db")
	}
	return err
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

// mostMemory is where the heap stops growing by that factor and is collected as often as it takes.
const mostMemory = 256 << 20

// serve opens everything, fills a new database if asked to, and answers until it is told to stop.
func serve(f serveFlags, s streams, fill func(context.Context, *sqlite.Store) error) error {
	ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt, syscall.SIGTERM)
	defer stop()
	passphrase, err := f.guarded()
	if err != nil {
		return err
	}
	folder, err := copiesFolder(f.copies, f.db)
	if err != nil {
		return err
	}
	level := slog.LevelInfo
	if f.verbose {
		level = slog.LevelDebug
	}
	log := slog.New(slog.NewTextHandler(s.err, &slog.HandlerOptions{Level: level}))
	store, err := f.store(ctx, s, fill)
	if err != nil {
		return err
	}
	if os.Getenv("GOGC") == "" {
		debug.SetGCPercent(heapGrowth)
	}
	if os.Getenv("GOMEMLIMIT") == "" {
		debug.SetMemoryLimit(mostMemory)
	}
	h := &house{data: f.db, folder: folder, log: log}
	var places []string
	h.open = func(store *sqlite.Store) (http.Handler, error) {
		return web.New(web.Options{
			Basket: store, Feet: store, Swatches: store, Logbook: store, Keeper: store, Visits: store, Discards: store, Importer: store,
			Shares: store, Practice: store, Copies: h, Hold: h.hold, Addresses: func() []string { return places }, Interface: ui.Files(), Log: log,
			Release: version, Passphrase: passphrase, Names: splitNames(f.names), Proxy: f.proxy, Scale: f.scale, Now: time.Now,
		})
	}
	if err := h.settle(store); err != nil {
		return errors.Join(err, store.Close())
	}
	defer h.Close()
	return f.run(ctx, s, h, func(reached []string) { places = reached })
}

// guarded is the passphrase. The error says where one is needed because other devices are let in.
func (f serveFlags) guarded() (string, error) {
	passphrase, err := readPassphrase(f)
	if err != nil {
		return "", err
	}
	named := len(splitNames(f.names)) > 0 || f.proxy
	for _, address := range []string{f.movedFrom, f.address} {
		if address != "" && !isLoopback(address) && passphrase == "" {
			return "", fmt.Errorf("listening on %s lets other devices in: give a passphrase with --passphrase-file or %s", address,
				passphraseVariable)
		}
	}
	if named && passphrase == "" {
		return "", fmt.Errorf("--names and --proxy let other devices in: give a passphrase with --passphrase-file or %s", passphraseVariable)
	}
	if n := utf8.RuneCountInString(passphrase); (named || !isLoopback(f.address)) && n < fewestLetters {
		return "", fmt.Errorf("the passphrase has %d letters; where other devices can try it, it needs at least %d", n, fewestLetters)
	}
	return passphrase, nil
}

// store opens the data file, after taking back what a restore left beside it, and fills it if asked.
func (f serveFlags) store(ctx context.Context, s streams, fill func(context.Context, *sqlite.Store) error) (*sqlite.Store, error) {
	taken, err := sqlite.TakeBack(f.db)
	if err != nil {
		return nil, err
	}
	if taken != "" {
		fmt.Fprintf(s.out, "%s was not there: a restore was broken off. What lay beside it as %s is in its place again.\n", f.db, taken)
	}
	store, err := sqlite.Open(ctx, f.db, time.Now)
	if err != nil {
		return nil, err
	}
	if fill != nil {
		if err := fill(ctx, store); err != nil {
			return nil, errors.Join(fmt.Errorf("demo: %w", err), store.Close())
		}
	}
	return store, nil
}

// run serves the house until it is told to stop; what it is reached by is told before the first request.
func (f serveFlags) run(ctx context.Context, s streams, h *house, reached func([]string)) error {
	ctx, stop := context.WithCancel(ctx)
	defer stop()
	listener, secure, err := f.listen()
	if err != nil {
		return err
	}
	kept := make(chan struct{})
	go func() {
		defer close(kept)
		h.keep(ctx)
	}()
	places := reachable(listener.Addr().String(), f.tlsCert != "", splitNames(f.names))
	reached(places)
	fmt.Fprintf(s.out, "Acorn Step is at %s\nYour socks are in %s. Stop with Ctrl-C.\n", strings.Join(places, "\n                 "),
		f.db)
	serving, running := errgroup.WithContext(ctx)
	serving.Go(func() error { return web.Serve(running, listener, secure, h) })
	if f.movedFrom != "" {
		old, err := net.Listen("tcp", f.movedFrom)
		if err != nil {
			stop()
			return errors.Join(fmt.Errorf("cannot listen on %s: %w", f.movedFrom, err), serving.Wait())
		}
		serving.Go(func() error { return web.Serve(running, old, nil, moved(h, listener.Addr().String())) })
	}
	err = serving.Wait()
	stop()
	<-kept // a copy that is being made ends with the program
	return errors.Join(err, h.Close())
}

// listen takes the address, and says how https is spoken there where there is a certificate.
func (f *serveFlags) listen() (net.Listener, *tls.Config, error) {
	if (f.tlsCert == "") != (f.tlsKey == "") {
		return nil, nil, errors.New("--tls-cert and --tls-key go together: name both, or none")
	}
	if f.movedFrom != "" && f.tlsCert == "" {
		return nil, nil, errors.New("--moved-from is for a program that has moved to https: name --tls-cert and --tls-key too")
	}
	listener, err := net.Listen("tcp", f.address)
	if err != nil {
		return nil, nil, fmt.Errorf("cannot listen on %s: %w", f.address, err)
	}
	if f.tlsCert == "" {
		return listener, nil, nil
	}
	pair := &renewed{cert: f.tlsCert, key: f.tlsKey}
	if _, err := pair.get(nil); err != nil {
		return nil, nil, errors.Join(fmt.Errorf("--tls-cert: %w", err), listener.Close())
	}
	return listener, &tls.Config{MinVersion: tls.VersionTLS12, GetCertificate: pair.get}, nil
}

// reachable are the addresses that really lead here from other devices.
func reachable(address string, secure bool, names []string) []string {
	scheme := "http://"
	if secure {
		scheme = "https://"
	}
	host, port, err := net.SplitHostPort(address)
	if ip := net.ParseIP(host); err != nil || ip == nil || !ip.IsUnspecified() {
		return []string{scheme + address}
	}
	places := []string{}
	for _, name := range slices.Concat(names, addressesOfThisMachine(), []string{"localhost"}) {
		places = append(places, scheme+net.JoinHostPort(name, port))
	}
	return places
}

// moved is the program at the address that it has left: it answers as ever, and says where it is now.
func moved(h http.Handler, address string) http.Handler {
	_, port, _ := net.SplitHostPort(address)
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		name, _, err := net.SplitHostPort(r.Host)
		if err != nil {
			name = r.Host
		}
		w.Header().Set("Acorn-Step-Moved", "https://"+net.JoinHostPort(strings.Trim(name, "[]"), port))
		h.ServeHTTP(w, r)
	})
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
