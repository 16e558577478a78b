// Package http serves the interface and the API under /api.
package web
