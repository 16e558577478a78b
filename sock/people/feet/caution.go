package feet

import "slices"

// Caution is something about a person that changes the advice.
type Caution struct {
	Name  string `json:"name"`
	Label string `json:"label"`
	// Advice is what to do about it.
	Advice string `json:"advice"`
}

// Cautions lists them.
var Cautions = []Caution{
	{"circulation", "Swollen legs, diabetes or poor circulation",
		"No tight bands and no tight cuff. Ask the person's clinician before you knit."},
	{"numb_feet", "Numb feet", "No ridges, seams or loose ends under the foot: they are not felt until they have rubbed. Ask the person's clinician before you knit."},
	{"smooth_floors", "Smooth floors, or unsteady on the feet",
		"Socks slip on smooth floors: add a grip to the sole, and leave no loose ends that toes catch in."},
	{"allergy", "Wool or dye allergy, or a baby's skin",
		"Ask before you choose the yarn: which fibres are well borne, and is the yarn moth-proofed?"},
}

// CautionNames lists the names.
func CautionNames() []string {
	names := make([]string, len(Cautions))
	for i, c := range Cautions {
		names[i] = c.Name
	}
	return names
}

// KnownCaution says whether a name is one of the list.
func KnownCaution(name string) bool { return slices.Contains(CautionNames(), name) }
