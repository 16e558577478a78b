package main

import (
	"bufio"
	"context"
	"errors"
	"flag"
	"fmt"
	"io/fs"
	"strings"
	"time"

	"acornstep/sqlite"
)

// oneFile reads the flags and the one file that a command is given.
func oneFile(set *flag.FlagSet, args []string, what string) (string, error) {
	if err := set.Parse(args); err != nil {
		return "", err
	}
	if set.NArg() != 1 {
		return "", fmt.Errorf("read %d files; name %s", set.NArg(), what)
	}
	return set.Arg(0), nil
}

func runBackup(args []string, s streams) error {
	set := flags("backup", "copies your socks as they are at this moment into a new file, also while the program runs.", s)
	data := set.String("db", "", dbUsage)
	to, err := oneFile(set, args, "the new file that the copy is written to")
	if err != nil {
		return err
	}
	if err := orDataFile(data); err != nil {
		return err
	}
	contents, err := sqlite.Backup(context.Background(), *data, to)
	if err != nil {
		return err
	}
	fmt.Fprintf(s.out, "%s: %s; read again and found whole.\n", to, contents)
	return nil
}

func runRestore(args []string, s streams) error {
	set := flags("restore", "puts a copy in the place of your socks; those of now are kept beside it.", s)
	data := set.String("db", "", dbUsage)
	yes := set.Bool("yes", false, "do it without asking")
	copied, err := oneFile(set, args, "the copy")
	if err != nil {
		return err
	}
	if err := orDataFile(data); err != nil {
		return err
	}
	ctx := context.Background()
	there, err := sqlite.ContentsOf(ctx, copied)
	if err != nil {
		return err
	}
	fmt.Fprintf(s.out, "The copy: %s.\n", there)
	switch now, err := sqlite.ContentsOf(ctx, *data); {
	case errors.Is(err, fs.ErrNotExist):
		fmt.Fprintf(s.out, "Now: nothing at %s.\n", *data)
	case err != nil:
		fmt.Fprintf(s.out, "Now: %s\n", err)
	default:
		fmt.Fprintf(s.out, "Now: %s. This is kept beside it.\n", now)
	}
	if !*yes {
		fmt.Fprint(s.out, "Put the copy in its place? Type yes: ")
		if answer, _ := bufio.NewReader(s.in).ReadString('\n'); strings.TrimSpace(answer) != "yes" {
			fmt.Fprintln(s.out, "Nothing was changed.")
			return errReported
		}
	}
	aside, err := sqlite.Restore(ctx, copied, *data, time.Now())
	if err != nil {
		return err
	}
	if aside != "" {
		fmt.Fprintf(s.out, "What was there is now %s.\n", aside)
	}
	fmt.Fprintf(s.out, "%s is the copy.\n", *data)
	return nil
}

func runDoctor(args []string, s streams) error {
	set := flags("doctor", "says what is wrong with a data file, one line each; then the status is 1. The file is never changed.", s)
	mend := set.String("mend", "", "new file into which everything goes that can still be read")
	path, err := oneFile(set, args, "the data file")
	if err != nil {
		return err
	}
	if *mend != "" {
		return mendInto(path, *mend, s)
	}
	contents, findings, err := sqlite.Doctor(context.Background(), path)
	if err != nil {
		return err
	}
	for _, f := range findings {
		fmt.Fprintln(s.out, f)
	}
	if len(findings) > 0 {
		return errReported
	}
	fmt.Fprintf(s.out, "%s: %s; whole, and every plan can be knitted.\n", path, contents)
	return nil
}

func mendInto(path, to string, s streams) error {
	ctx := context.Background()
	left, err := sqlite.Mend(ctx, path, to)
	if err != nil {
		return err
	}
	for _, line := range left {
		fmt.Fprintln(s.out, line)
	}
	contents, err := sqlite.ContentsOf(ctx, to)
	if err != nil {
		return err
	}
	if contents.Socks == 0 && contents.Events == 0 {
		fmt.Fprintf(s.out, "Nothing could be saved: %s holds no sock. Take the last copy instead, with acornstep restore.\n", to)
		return errReported
	}
	fmt.Fprintf(s.out, "%s: %s. Look through it, then put it in place with acornstep restore %s\n", to, contents, to)
	return nil
}
