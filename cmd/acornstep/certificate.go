package main

import (
	"crypto/ecdsa"
	"crypto/elliptic"
	"crypto/rand"
	"crypto/tls"
	"crypto/x509"
	"crypto/x509/pkix"
	"encoding/pem"
	"errors"
	"fmt"
	"io/fs"
	"math/big"
	"net"
	"os"
	"path/filepath"
	"slices"
	"strings"
	"sync"
	"time"
)

// How long certificates hold. Phones refuse a program's own beyond 397 days.
const (
	authorityLasts = 10 * 365 * 24 * time.Hour
	houseLasts     = 396 * 24 * time.Hour
)

// The files that the command writes.
const (
	authorityCert = "authority.crt"
	authorityKey  = "authority.key"
	houseCert     = "house.crt"
	houseKey      = "house.key"
)

func runCertificate(args []string, s streams) error {
	set := flags("certificate", "makes a certificate for the names and addresses of this machine, and an authority that your phones can trust. Run it again to renew, or when an address has changed.", s)
	folder := set.String("folder", "", "where the four files go (default: acornstep/tls in your data folder)")
	if err := set.Parse(args); err != nil {
		return err
	}
	if *folder == "" {
		data, err := dataFolder()
		if err != nil {
			return err
		}
		*folder = filepath.Join(data, "acornstep", "tls")
	}
	names := set.Args()
	if len(names) == 0 {
		names = namesOfThisMachine()
	}
	c, err := certify(*folder, names, time.Now())
	if err != nil {
		return fmt.Errorf("certificate: %w", err)
	}
	at := func(name string) string { return filepath.Join(*folder, name) }
	fmt.Fprintf(s.out, "A certificate for %s, good until %s.\n", strings.Join(names, ", "), c.NotAfter.Format(time.DateOnly))
	fmt.Fprintf(s.out, "Start the program with --tls-cert %s --tls-key %s\n", at(houseCert), at(houseKey))
	fmt.Fprintf(s.out, "Have each phone trust %s, once: docs/certificate.md says how. Keep %s to yourself.\n", at(authorityCert),
		at(authorityKey))
	return nil
}

// certify writes a new certificate for names, signed by the authority in the folder, which is made when there is none that can.
func certify(folder string, names []string, now time.Time) (*x509.Certificate, error) {
	if err := os.MkdirAll(folder, 0o700); err != nil {
		return nil, err
	}
	authority, key, err := readAuthority(folder)
	if errors.Is(err, fs.ErrNotExist) {
		authority, key, err = newAuthority(folder, names, now)
	}
	if err != nil {
		return nil, err
	}
	own, err := ecdsa.GenerateKey(elliptic.P256(), rand.Reader)
	if err != nil {
		return nil, err
	}
	template := &x509.Certificate{
		SerialNumber: serial(), Subject: pkix.Name{CommonName: names[0], Organization: []string{"Acorn Step"}},
		NotBefore: now.Add(-time.Hour), NotAfter: now.Add(houseLasts),
		KeyUsage: x509.KeyUsageDigitalSignature, ExtKeyUsage: []x509.ExtKeyUsage{x509.ExtKeyUsageServerAuth},
	}
	template.DNSNames, template.IPAddresses = sortOut(names)
	signed, err := x509.CreateCertificate(rand.Reader, template, authority, &own.PublicKey, key)
	if err != nil {
		return nil, err
	}
	c, err := x509.ParseCertificate(signed)
	if err != nil {
		return nil, err
	}
	// Proved before anything is replaced: the authority vouches for private places and for its first names alone.
	roots := x509.NewCertPool()
	roots.AddCert(authority)
	if _, err := c.Verify(x509.VerifyOptions{Roots: roots, CurrentTime: now}); err != nil {
		return nil, fmt.Errorf("the authority in %s does not vouch for %s: name another folder to make a new one, which every phone then has to trust anew: %w", folder, strings.Join(names, ", "), err)
	}
	return c, errors.Join(writeKey(filepath.Join(folder, houseKey), own),
		writePEM(filepath.Join(folder, houseCert), "CERTIFICATE", signed, 0o644))
}

func readAuthority(folder string) (*x509.Certificate, *ecdsa.PrivateKey, error) {
	pair, err := tls.LoadX509KeyPair(filepath.Join(folder, authorityCert), filepath.Join(folder, authorityKey))
	if err != nil {
		return nil, nil, err
	}
	key, ok := pair.PrivateKey.(*ecdsa.PrivateKey)
	if !ok {
		return nil, nil, fmt.Errorf("%s is not a key of ours", authorityKey)
	}
	return pair.Leaf, key, nil
}

// newAuthority makes an authority that vouches for nobody on the internet: only
// for private addresses, names of the house and the names it is made for. A phone that trusts it risks nothing else.
func newAuthority(folder string, names []string, now time.Time) (*x509.Certificate, *ecdsa.PrivateKey, error) {
	key, err := ecdsa.GenerateKey(elliptic.P256(), rand.Reader)
	if err != nil {
		return nil, nil, err
	}
	hosts, addresses := sortOut(names)
	template := &x509.Certificate{
		SerialNumber: serial(), Subject: pkix.Name{CommonName: "Acorn Step at home " + now.Format(time.DateOnly),
			Organization: []string{"Acorn Step"}},
		NotBefore: now.Add(-time.Hour), NotAfter: now.Add(authorityLasts),
		IsCA: true, BasicConstraintsValid: true, MaxPathLenZero: true, KeyUsage: x509.KeyUsageCertSign | x509.KeyUsageCRLSign,
		PermittedDNSDomainsCritical: true, PermittedDNSDomains: append([]string{"localhost", "local", "home.arpa", "lan", "internal"},
			hosts...), PermittedIPRanges: privateRanges(),
	}
	for _, a := range addresses {
		if !slices.ContainsFunc(template.PermittedIPRanges, func(r *net.IPNet) bool { return r.Contains(a) }) {
			template.PermittedIPRanges = append(template.PermittedIPRanges, &net.IPNet{IP: a, Mask: net.CIDRMask(8*len(a), 8*len(a))})
		}
	}
	signed, err := x509.CreateCertificate(rand.Reader, template, template, &key.PublicKey, key)
	if err != nil {
		return nil, nil, err
	}
	c, err := x509.ParseCertificate(signed)
	return c, key, errors.Join(err, writeKey(filepath.Join(folder, authorityKey), key),
		writePEM(filepath.Join(folder, authorityCert), "CERTIFICATE", signed, 0o644))
}

// privateRanges are the addresses of machines and houses.
func privateRanges() []*net.IPNet {
	var list []*net.IPNet
	for _, text := range []string{"127.0.0.0/8", "10.0.0.0/8", "172.16.0.0/12", "192.168.0.0/16", "169.254.0.0/16", "100.64.0.0/10",
		"::1/128", "fc00::/7", "fe80::/10"} {
		if _, r, err := net.ParseCIDR(text); err == nil {
			list = append(list, r)
		}
	}
	return list
}

// sortOut tells names from addresses.
func sortOut(names []string) (hosts []string, addresses []net.IP) {
	for _, name := range names {
		ip := net.ParseIP(name)
		switch v4 := ip.To4(); {
		case ip == nil:
			hosts = append(hosts, name)
		case v4 != nil:
			addresses = append(addresses, v4)
		default:
			addresses = append(addresses, ip)
		}
	}
	return hosts, addresses
}

func serial() *big.Int {
	const bits = 120
	n, err := rand.Int(rand.Reader, new(big.Int).Lsh(big.NewInt(1), bits))
	if err != nil {
		panic(err) // the system has no chance left
	}
	return n
}

func writeKey(path string, key *ecdsa.PrivateKey) error {
	der, err := x509.MarshalPKCS8PrivateKey(key)
	if err != nil {
		return err
	}
	return writePEM(path, "PRIVATE KEY", der, 0o600)
}

func writePEM(path, kind string, der []byte, mode fs.FileMode) error {
	return os.WriteFile(path, pem.EncodeToMemory(&pem.Block{Type: kind, Bytes: der}), mode)
}

// namesOfThisMachine are those by which others in the house reach it.
func namesOfThisMachine() []string {
	names := []string{}
	if host, err := os.Hostname(); err == nil && host != "" {
		host = strings.ToLower(host)
		names = append(names, host)
		if !strings.Contains(host, ".") {
			names = append(names, host+".local")
		}
	}
	names = append(names, "localhost")
	return append(names, addressesOfThisMachine()...)
}

// addressesOfThisMachine are those on which it can be reached, its own loop left out.
func addressesOfThisMachine() []string {
	var list []string
	all, err := net.InterfaceAddrs()
	if err != nil {
		return nil
	}
	for _, a := range all {
		if n, ok := a.(*net.IPNet); ok && !n.IP.IsLoopback() && !n.IP.IsLinkLocalUnicast() {
			list = append(list, n.IP.String())
		}
	}
	return list
}

// renewed is a certificate that is read again when its file has changed, so that a renewal needs no restart.
type renewed struct {
	cert, key string

	mu   sync.Mutex
	read time.Time
	pair *tls.Certificate
}

// get implements tls.Config.GetCertificate. What cannot be read while it is being written leaves the old one in use.
func (r *renewed) get(*tls.ClientHelloInfo) (*tls.Certificate, error) {
	r.mu.Lock()
	defer r.mu.Unlock()
	info, err := os.Stat(r.cert)
	if err == nil && !info.ModTime().Equal(r.read) {
		pair, failed := tls.LoadX509KeyPair(r.cert, r.key)
		if err = failed; err == nil {
			r.pair, r.read = &pair, info.ModTime()
		}
	}
	if r.pair == nil {
		return nil, err
	}
	return r.pair, nil
}
