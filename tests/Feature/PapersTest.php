<?php

declare(strict_types=1);

use App\Models\Paper;
use App\Models\Piece;
use App\Studio\Photos\TransferPrint;
use Illuminate\Http\UploadedFile;
use Prism\Materials\PaperKind;

use function Tests\Feature\artist;
use function Tests\Feature\bytes;
use function Tests\Feature\picture;
use function Tests\Feature\pieceOf;

beforeEach(function (): void {
    $this->artist = artist();
    $this->actingAs($this->artist);
    $this->form = ['name' => 'Ropewalk Rough', 'kind' => 'rough', 'colour' => 'sand', 'widthMm' => 300, 'heightMm' => 400];
});

/** White left, sand right. */
function pad(): UploadedFile
{
    return picture('png', 200, 120, '#e1ded6', static function (Imagick $image): void {
        $draw = new ImagickDraw;
        $draw->setFillColor('#b4a587');
        $draw->rectangle(100, 0, 199, 119);
        $image->drawImage($draw);
    });
}

it('writes a paper down in words, and draws on it', function (): void {
    $slug = $this->postJson('/api/papers', $this->form)->assertCreated()
        ->assertJson(['name' => 'Ropewalk Rough', 'kind' => 'rough', 'own' => true, 'toned' => true, 'widthMm' => 300])->json('id');
    expect(array_column($this->getJson('/api/papers')->json(), 'id'))->toContain($slug)->and(Paper::called($this->artist, $slug)?->roughness)->toBe(PaperKind::Rough->tooth()[0]);
    $piece = pieceOf($this->artist);
    $this->patchJson("/api/pieces/{$piece->id}", ['paper' => $slug])->assertOk();
    expect($piece->refresh()->paper->slug)->toBe($slug);
    $this->postJson('/api/swatches', ['paper' => $slug, 'stack' => 'QW:6858@60', 'colour' => '#5566aa'])->assertCreated();
    expect($this->get('/api/swatches.csv')->content())->toContain($slug);
    $this->postJson("/api/pieces/{$piece->id}/predictions", ['stack' => 'QW:6858@60', 'L' => 40, 'a' => 5, 'b' => -40])->assertOk();
});

it('changes it and takes it away, and back, while nothing is drawn on it', function (): void {
    $slug = $this->postJson('/api/papers', $this->form)->json('id');
    $this->putJson("/api/papers/$slug", ['name' => 'Ropewalk Film', 'kind' => 'film', 'colour' => '92, 0, 1'])->assertOk()->assertJson(['id' => $slug, 'name' => 'Ropewalk Film', 'kind' => 'film', 'toned' => false, 'widthMm' => null]);
    $this->deleteJson("/api/papers/$slug")->assertNoContent();
    expect(array_column($this->getJson('/api/papers')->json(), 'id'))->not->toContain($slug);
    $this->postJson("/api/papers/$slug/restore")->assertNoContent();
    expect(array_column($this->getJson('/api/papers')->json(), 'id'))->toContain($slug);
    Piece::factory()->for($this->artist)->create(['paper_id' => Paper::called($this->artist, $slug)?->id]);
    expect($this->deleteJson("/api/papers/$slug")->assertUnprocessable()->json('message'))->toBe('Ropewalk Film is in use: 1 piece. Put those on another paper first.');
});

it('refuses in words', function (array $change, string $field, string $why): void {
    $this->postJson('/api/papers', ['name' => 'Taken', 'kind' => 'film', 'colour' => 'white'])->assertCreated();
    expect($this->postJson('/api/papers', [...$this->form, ...$change])->assertUnprocessable()->json("errors.$field.0"))->toContain($why);
})->with([
    [['name' => 'Taken'], 'name', 'a paper of that name already'],
    [['name' => ''], 'name', 'Give the paper a name'],
    [['kind' => 'velvet'], 'kind', 'kind'],
    [['colour' => 'mauvish'], 'colour', 'hex'],
    [['colour' => null], 'colour', 'what colour the paper is'],
    [['widthMm' => 3], 'widthMm', '20 to 3000 mm'],
    [['heightMm' => null], 'heightMm', 'leave both fields empty'],
]);

it('is its artist\'s alone, and those that ship are nobody\'s', function (): void {
    $slug = $this->postJson('/api/papers', $this->form)->json('id');
    expect($this->putJson('/api/papers/harbour-cartridge', $this->form)->assertUnprocessable()->json('message'))->toContain('ships with the studio')
        ->and($this->deleteJson('/api/papers/fog-toned')->assertUnprocessable()->json('message'))->toContain('ships with the studio');
    $other = artist();
    $this->actingAs($other);
    expect(array_column($this->getJson('/api/papers')->json(), 'id'))->not->toContain($slug);
    $this->putJson("/api/papers/$slug", $this->form)->assertNotFound();
    $this->deleteJson("/api/papers/$slug")->assertNotFound();
    $own = pieceOf($other);
    $this->patchJson("/api/pieces/{$own->id}", ['paper' => $slug])->assertUnprocessable();
    $this->postJson('/api/swatches', ['paper' => $slug, 'stack' => 'QW:6858@60', 'colour' => '#5566aa'])->assertUnprocessable();
    $this->postJson('/api/charts', ['paper' => $slug, 'kind' => 'singles', 'page' => 'a4'])->assertUnprocessable();
    // A paper of the same name is another one.
    expect($this->postJson('/api/papers', $this->form)->assertCreated()->json('id'))->not->toBe($slug);
});

it('reads its colour from a photo beside a white sheet', function (): void {
    $read = $this->post('/api/colours/beside-white', ['picture' => pad(), 'white' => [0.25, 0.5], 'asked' => [0.75, 0.5], 'of' => 'paper'], ['Accept' => 'application/json'])->assertOk()->json();
    expect($read['L'])->toBeBetween(70.0, 76.0)->and($read['b'])->toBeGreaterThan(8.0);
    $coat = $this->post('/api/colours/beside-white', ['picture' => pad(), 'white' => [0.25, 0.5], 'asked' => [0.75, 0.5], 'of' => 'coat'], ['Accept' => 'application/json'])->assertOk()->json();
    expect($coat['hex'])->toBe($read['hex'])
        ->and($this->post('/api/colours/beside-white', ['picture' => pad(), 'white' => [0.25, 0.5], 'asked' => [0.5, 0.5], 'of' => 'coat'], ['Accept' => 'application/json'])->assertUnprocessable()->json('errors.picture.0'))->toContain('at the coat it is not one even colour');
    expect($this->post('/api/colours/beside-white', ['picture' => pad(), 'white' => [0.75, 0.5], 'asked' => [0.25, 0.5], 'of' => 'paper'], ['Accept' => 'application/json'])->assertUnprocessable()->json('errors.picture.0'))->toContain('other way round');
    $this->post('/api/colours/beside-white', ['picture' => bytes('a.png', 'none'), 'white' => [0.2, 0.5], 'asked' => [0.7, 0.5], 'of' => 'paper'], ['Accept' => 'application/json'])->assertUnprocessable()->assertJsonValidationErrors('picture');
    $this->post('/api/colours/beside-white', ['picture' => pad(), 'white' => [0.2, 7], 'asked' => [0.7, 0.5], 'of' => 'paper'], ['Accept' => 'application/json'])->assertUnprocessable()->assertJsonValidationErrors('white.1');
});

it('says where the drawing lies on its sheet, so that it can be transferred to the middle', function (): void {
    $slug = $this->postJson('/api/papers', $this->form)->json('id');
    $piece = pieceOf($this->artist);
    expect(TransferPrint::onSheet($piece))->toBe('');
    $this->patchJson("/api/pieces/{$piece->id}", ['paper' => $slug])->assertOk();
    // A sheet that stands is laid down for a drawing that lies.
    expect(TransferPrint::onSheet($piece->refresh()->fill(['width_mm' => 240, 'height_mm' => 180])))->toContain('400 x 300 mm: 80 mm from the sides, 60 mm from above and below')
        ->and(TransferPrint::onSheet($piece->fill(['width_mm' => 500, 'height_mm' => 180])))->toContain('larger than a sheet of Ropewalk Rough');
});
