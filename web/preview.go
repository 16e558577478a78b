package web

import (
	"bytes"
	"encoding/base64"
	"fmt"
	"image/jpeg"
	"strings"

	"acornstep/sock/needles/logbook"
)

// Limits of a preview.
const (
	maxPreview     = logbook.MaxPicture
	maxPreviewSide = 640 // pixels
	previewPrefix  = "data:image/jpeg;base64,"
)

// checkPreview refuses what is not a small JPEG: it will be shown to people later.
func checkPreview(dataURL string) error {
	if dataURL == "" {
		return nil
	}
	encoded, isJPEG := strings.CutPrefix(dataURL, previewPrefix)
	if !isJPEG || len(dataURL) > maxPreview {
		return fmt.Errorf("read %d characters; a preview is a JPEG of at most %d bytes", len(dataURL), maxPreview)
	}
	raw, err := base64.StdEncoding.DecodeString(encoded)
	if err != nil {
		return fmt.Errorf("the preview is damaged: %w", err)
	}
	picture, err := jpeg.DecodeConfig(bytes.NewReader(raw))
	if err != nil || picture.Width > maxPreviewSide || picture.Height > maxPreviewSide {
		return fmt.Errorf("the preview is no picture of at most %d × %d points", maxPreviewSide, maxPreviewSide)
	}
	return nil
}
