package main

import (
	"crypto/tls"
	"crypto/x509"
	"os"
	"path/filepath"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

func TestACertificateForTheHouseAndNobodyElse(t *testing.T) {
	folder := filepath.Join(t.TempDir(), "tls")
	now := time.Now()
	c, err := certify(folder, []string{"observatory", "observatory.local", "192.168.7.20", "fd00::7"}, now)
	require.NoError(t, err)
	trusted := func() *x509.CertPool {
		text, err := os.ReadFile(filepath.Join(folder, authorityCert))
		require.NoError(t, err)
		pool := x509.NewCertPool()
		require.True(t, pool.AppendCertsFromPEM(text))
		return pool
	}
	for _, name := range []string{"observatory", "observatory.local", "192.168.7.20", "fd00::7"} {
		_, err := c.Verify(x509.VerifyOptions{Roots: trusted(), DNSName: name})
		require.NoError(t, err, name)
	}
	_, err = c.Verify(x509.VerifyOptions{Roots: trusted(), DNSName: "192.168.7.21"})
	require.Error(t, err)
	assert.Less(t, c.NotAfter.Sub(c.NotBefore), 397*24*time.Hour, "phones refuse what lasts longer")
	for name, mode := range map[string]os.FileMode{authorityKey: 0o600, houseKey: 0o600} {
		info, err := os.Stat(filepath.Join(folder, name))
		require.NoError(t, err)
		assert.Equal(t, mode, info.Mode().Perm(), name)
	}

	// Renewed with another address: the phones go on trusting the same authority.
	before := trusted()
	renewal, err := certify(folder, []string{"observatory.local", "192.168.7.21"}, now)
	require.NoError(t, err)
	_, err = renewal.Verify(x509.VerifyOptions{Roots: before, DNSName: "192.168.7.21"})
	require.NoError(t, err)
	// Whoever steals the authority's key cannot be somebody else's site with it.
	_, err = certify(folder, []string{"www.example.org"}, now)
	require.ErrorContains(t, err, "does not vouch for www.example.org")
	kept, err := tls.LoadX509KeyPair(filepath.Join(folder, houseCert), filepath.Join(folder, houseKey))
	require.NoError(t, err)
	assert.Equal(t, renewal.SerialNumber, kept.Leaf.SerialNumber, "and the good one stays in place")
}

func TestARenewedCertificateNeedsNoRestart(t *testing.T) {
	folder := t.TempDir()
	first, err := certify(folder, []string{"localhost"}, time.Now())
	require.NoError(t, err)
	r := &renewed{cert: filepath.Join(folder, houseCert), key: filepath.Join(folder, houseKey)}
	pair, err := r.get(nil)
	require.NoError(t, err)
	assert.Equal(t, first.SerialNumber, pair.Leaf.SerialNumber)
	second, err := certify(folder, []string{"localhost"}, time.Now())
	require.NoError(t, err)
	later := time.Now().Add(time.Minute)
	require.NoError(t, os.Chtimes(r.cert, later, later))
	pair, err = r.get(nil)
	require.NoError(t, err)
	assert.Equal(t, second.SerialNumber, pair.Leaf.SerialNumber)
	require.NoError(t, os.WriteFile(r.cert, []byte("half a fi"), 0o600))
	pair, err = r.get(nil)
	require.NoError(t, err, "what is being written is not taken")
	assert.Equal(t, second.SerialNumber, pair.Leaf.SerialNumber)
	_, err = (&renewed{cert: filepath.Join(folder, "none"), key: r.key}).get(nil)
	require.Error(t, err)
}

func TestWhereItCanBeReached(t *testing.T) {
	assert.Equal(t, []string{"http://127.0.0.1:7768"}, reachable("127.0.0.1:7768", false, nil))
	all := reachable("0.0.0.0:7768", true, []string{"observatory.local"})
	assert.Contains(t, all, "https://observatory.local:7768")
	assert.Contains(t, all, "https://localhost:7768")
	assert.NotContains(t, all, "https://0.0.0.0:7768", "nobody can go there")
}

func TestServingRefusesHalfACertificate(t *testing.T) {
	for want, args := range map[string][]string{
		"go together":               {"--tls-cert", "a"},
		"is for a program that has": {"--moved-from", "127.0.0.1:0"},
		"--tls-cert: ":              {"--tls-cert", "none", "--tls-key", "none"},
	} {
		status, _, errs := call("", append([]string{"serve", "--listen", "127.0.0.1:0", "--db", filepath.Join(t.TempDir(), "socks.db")},
			args...)...)
		assert.Equal(t, 1, status)
		assert.Contains(t, errs, want)
	}
}
