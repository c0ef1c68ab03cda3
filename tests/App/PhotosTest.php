<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Exchange\FitArchive;
use NimbleKnuckle\App\Exchange\FitDocument;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\App\Photos\BareJpeg;
use NimbleKnuckle\App\Photos\BenchPictures;
use NimbleKnuckle\App\Photos\InvalidPicture;
use NimbleKnuckle\App\Photos\PhotoBook;
use NimbleKnuckle\App\Photos\PhotoFiles;
use NimbleKnuckle\App\Photos\PhotosController;
use NimbleKnuckle\App\Photos\PhotoView;
use NimbleKnuckle\App\Photos\Picture;
use NimbleKnuckle\App\Photos\Pictured;
use NimbleKnuckle\App\Photos\PrintedPhotos;
use NimbleKnuckle\App\Photos\SamplePictures;
use NimbleKnuckle\App\Photos\StepPictures;
use NimbleKnuckle\App\Planning\FitPlanner;
use NimbleKnuckle\App\Upkeep\PhotoCopies;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Gate\Gate;
use NimbleKnuckle\Core\Bench\Told\FitNarrative;
use NimbleKnuckle\Core\Bench\Told\ReadingTold;
use NimbleKnuckle\Core\Document\InvalidDocument;
use NimbleKnuckle\Core\Safety\Obstacle;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Component\Filesystem\Filesystem;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\Uid\Ulid;

/** Pictures from the tablet to the disk and back: what is let in, who sees it, where it goes with the fit. */
#[CoversClass(Picture::class)]
#[CoversClass(BareJpeg::class)]
#[CoversClass(InvalidPicture::class)]
#[CoversClass(PhotoFiles::class)]
#[CoversClass(PhotoBook::class)]
#[CoversClass(PhotosController::class)]
#[CoversClass(PhotoView::class)]
#[CoversClass(BenchPictures::class)]
#[CoversClass(Pictured::class)]
#[CoversClass(StepPictures::class)]
#[CoversClass(PrintedPhotos::class)]
#[CoversClass(SamplePictures::class)]
#[CoversClass(FitArchive::class)]
#[CoversClass(PhotoCopies::class)]
final class PhotosTest extends AppTestCase
{
    private const STEP = 'housing-off';

    private string $fit = '';

    protected function setUp(): void
    {
        parent::setUp();
        (new Filesystem())->remove($this->service(PhotoFiles::class)->folder());
        $this->signIn('joss');
        $this->fit = $this->tarnFit()->id;
    }

    public function testAPictureIsKeptShownAndShownAgainWhereItGoesBack(): void
    {
        $photo = $this->take(self::jpeg(3200, 1800), ['step' => self::STEP, 'shot' => 'before', 'text' => 'how it sits']);
        self::assertResponseIsSuccessful();
        $kept = $this->service(Recorder::class)->load($this->service(FitBook::class)->get($this->fit))->state->photos[$photo];
        self::assertSame([1600, 900], [$kept->int('width'), $kept->int('height')]);
        $this->client->request('GET', sprintf('/fits/%s/photos/%s.jpg', $this->fit, $photo));
        self::assertResponseIsSuccessful();
        self::assertResponseHeaderSame('Content-Type', 'image/jpeg');
        self::assertResponseHeaderSame('Cache-Control', 'no-cache, private');
        $file = $this->client->getResponse();
        self::assertInstanceOf(BinaryFileResponse::class, $file);
        self::assertSame($kept->string('hash'), hash_file('sha256', $file->getFile()->getPathname()));
        // Known to the browser, it is not sent again; a small one is another.
        $mark = (string) $file->headers->get('ETag');
        $this->client->request('GET', sprintf('/fits/%s/photos/%s.jpg', $this->fit, $photo), server: ['HTTP_IF_NONE_MATCH' => $mark]);
        self::assertResponseStatusCodeSame(304);
        $this->client->request('GET', sprintf('/fits/%s/photos/%s.jpg?small', $this->fit, $photo), server: ['HTTP_IF_NONE_MATCH' => $mark]);
        self::assertResponseStatusCodeSame(200);
        $this->client->request('GET', sprintf('/fits/%s/bench/housing-on', $this->fit));
        self::assertSelectorTextContains('.as-it-was figcaption', 'Before: how it sits');
        $this->client->request('GET', sprintf('/fits/%s/photos', $this->fit));
        self::assertSelectorTextContains('main', 'how it sits');
        foreach (['record', 'hand-over'] as $paper) {
            $this->client->request('GET', sprintf('/fits/%s/print/%s', $this->fit, $paper));
            self::assertStringContainsString('/Subtype /Image', (string) $this->client->getResponse()->getContent(), $paper);
        }
    }

    public function testSentTwiceItIsOnePicture(): void
    {
        $id = (string) new Ulid();
        $this->take(self::jpeg(), ['step' => self::STEP, 'event' => $id]);
        $this->take(self::jpeg(), ['step' => self::STEP, 'event' => $id]);
        self::assertResponseIsSuccessful();
        self::assertSame(1, $this->service(PhotoBook::class)->count($this->fit));
    }

    /** @param array<string, string> $of */
    #[DataProvider('refused')]
    public function testWhatIsNoPictureIsRefusedWithTheRemedy(string $bytes, array $of, string $said): void
    {
        $this->take($bytes, $of + ['step' => self::STEP]);
        self::assertResponseStatusCodeSame(422);
        self::assertStringContainsString($said, (string) $this->client->getResponse()->getContent());
        self::assertSame(0, $this->service(PhotoBook::class)->count($this->fit));
    }

    /** @return iterable<string, array{string, array<string, string>, string}> */
    public static function refused(): iterable
    {
        $good = self::jpeg();
        yield 'nothing' => ['', [], 'Send a JPEG'];
        yield 'a page with a picture’s first letters' => ["\xFF\xD8\xFF<script>alert(1)</script>", [], 'JPEG'];
        yield 'half a picture' => [substr($good, 0, intdiv(strlen($good), 2)), [], 'broke off'];
        yield 'a moving one' => ['GIF89a'.str_repeat("\0", 60), [], 'JPEG'];
        yield 'a drawing with a script in it' => ['<svg xmlns="http://www.w3.org/2000/svg"/>', [], 'JPEG'];
        yield 'a step of another sheet' => [$good, ['step' => 'nowhere'], 'no such step'];
        yield 'no name for it' => [$good, ['event' => 'x'], 'ULID'];
        yield 'no hour' => [$good, ['at' => 'soon'], 'ISO 8601'];
        yield 'a hash of one’s own is not asked' => [$good, ['shot' => 'during'], 'before'];
    }

    public function testWhereItWasTakenAndWithWhatIsNotKept(): void
    {
        // A comment stands for whatever a camera writes beside the picture; PNG and WebP become what all are.
        $jpeg = self::jpeg();
        $spoken = "\xFF\xD8\xFF\xFE\x00\x16GPS 47.1 N 8.5 E\0\0\0\0".substr($jpeg, 2);
        self::assertNotFalse(getimagesizefromstring($spoken));
        self::assertStringNotContainsString('GPS', Picture::of($spoken)->jpeg);
        foreach (['imagepng', 'imagewebp'] as $as) {
            $picture = Picture::of(self::jpeg(640, 480, $as));
            self::assertSame("\xFF\xD8\xFF", substr($picture->jpeg, 0, 3), $as);
            self::assertSame([640, 480], [$picture->width, $picture->height]);
        }
        self::assertSame(Picture::of($jpeg)->jpeg, Picture::of($jpeg)->jpeg, 'the same comes of the same');
    }

    /** A tablet has made it small already: a second encoding would only blur what is looked at. What lies beside the picture goes. */
    #[TestWith(['nothing'])]
    #[TestWith(['note'])]
    #[TestWith(['camera'])]
    #[TestWith(['profile'])]
    #[TestWith(['behind'])]
    #[TestWith(['thumbnail'])]
    #[TestWith(['between'])]
    public function testWhatFitsIsNotEncodedASecondTimeAndHoldsNothingElse(string $hidden): void
    {
        $made = self::jpeg(320, 240);
        $segment = static fn (string $marker, string $holds): string => "\xFF".$marker.pack('n', strlen($holds) + 2).$holds;
        $with = match ($hidden) {
            'note' => substr_replace($made, $segment("\xFE", 'SECRET'), 20, 0),
            'camera' => substr_replace($made, $segment("\xE1", 'SECRET'), 20, 0),
            'profile' => substr_replace($made, $segment("\xE2", 'ICC_PROFILE SECRET'), 20, 0),
            'behind' => $made."SECRET\xFF\xD9",
            'thumbnail' => substr_replace($made, $segment("\xE0", "JFIF\0".substr($made, 11, 7).chr(2).chr(1).'SECRET'), 2, 18),
            'between' => substr_replace($made, $segment("\xFE", 'SECRET'), strlen($made) - 2, 0),
            default => $made,
        };
        $kept = Picture::of($with);
        self::assertSame([320, 240], [$kept->width, $kept->height]);
        self::assertStringNotContainsString('SECRET', $kept->jpeg);
        self::assertSame(self::dots($made), self::dots($kept->jpeg), 'not a dot of it is another');
        self::assertSame($kept->jpeg, Picture::of($kept->jpeg)->jpeg);
    }

    /** Dropping what says which colours they are would turn them. */
    public function testOneThatNeedsItsOwnWordsToBeReadIsEncodedAnew(): void
    {
        $adobe = substr_replace(self::jpeg(), "\xFF\xEE\x00\x0EAdobe\x00\x64\0\0\0\0\x01", 20, 0);
        self::assertNull(BareJpeg::of($adobe));
        self::assertStringNotContainsString('Adobe', Picture::of($adobe)->jpeg);
        self::assertNull(BareJpeg::of('no picture'));
        self::assertNull(BareJpeg::of(substr(self::jpeg(), 0, -2)), 'without its end');
    }

    private static function dots(string $jpeg): string
    {
        $image = imagecreatefromstring($jpeg);
        self::assertNotFalse($image);
        ob_start();
        imagebmp($image);

        return hash('sha256', (string) ob_get_clean());
    }

    public function testACameraOnItsSideIsTurnedUpright(): void
    {
        // EXIF, big-endian, one entry: orientation 6, turned a quarter to the right to stand.
        $exif = "Exif\0\0MM\0\x2A\0\0\0\x08\0\x01\x01\x12\0\x03\0\0\0\x01\0\x06\0\0\0\0\0\0";
        $jpeg = self::jpeg(400, 200);
        $turned = Picture::of("\xFF\xD8\xFF\xE1".pack('n', strlen($exif) + 2).$exif.substr($jpeg, 2));
        self::assertSame([200, 400], [$turned->width, $turned->height]);
    }

    public function testTooManyPixelsAreRefusedBeforeTheyAreUnpacked(): void
    {
        // A PNG that says it is 60,000 pixels each way, in a hundred bytes.
        $head = 'IHDR'.pack('NNCCCCC', 60000, 60000, 8, 2, 0, 0, 0);
        $png = "\x89PNG\r\n\x1A\n".pack('N', 13).$head.pack('N', crc32($head));
        $this->expectException(InvalidPicture::class);
        $this->expectExceptionMessage('16 megapixels');
        Picture::of($png);
    }

    public function testNobodySeesAPictureWithoutSigningInOrByAnotherFit(): void
    {
        $photo = $this->take(self::jpeg(), ['step' => self::STEP]);
        $other = $this->db()->fetchOne('SELECT id FROM fit WHERE id <> ? LIMIT 1', [$this->fit]);
        self::assertIsString($other);
        foreach ([sprintf('/fits/%s/photos/%s.jpg', $other, $photo), sprintf('/fits/%s/photos/%s.jpg', $this->fit, new Ulid())] as $path) {
            $this->client->request('GET', $path);
            self::assertResponseStatusCodeSame(404);
        }
        $this->client->restart();
        $this->client->request('GET', sprintf('/fits/%s/photos/%s.jpg', $this->fit, $photo));
        self::assertResponseRedirects();
        self::assertStringNotContainsString('JFIF', (string) $this->client->getResponse()->getContent());
    }

    public function testTakenBackItIsShownToNobody(): void
    {
        $photo = $this->take(self::jpeg(), ['step' => self::STEP]);
        $this->send($this->fit, ['type' => 'undone', 'event' => $photo]);
        $this->client->request('GET', sprintf('/fits/%s/photos/%s.jpg', $this->fit, $photo));
        self::assertResponseStatusCodeSame(404);
        $this->client->request('GET', sprintf('/fits/%s/photos/%s', $this->fit, $photo));
        self::assertResponseStatusCodeSame(404);
    }

    public function testAMarkCannotClaimAPictureTheServerHasNot(): void
    {
        $answer = $this->send($this->fit, [
            'type' => 'photo-taken', 'step' => self::STEP, 'hash' => str_repeat('a', 64), 'width' => 10, 'height' => 10,
        ]);
        self::assertResponseStatusCodeSame(422);
        self::assertStringContainsString('comes with its file', (string) json_encode($answer));
    }

    public function testAFitGoesOutWithItsPicturesAndComesInWithThem(): void
    {
        $photo = $this->take(self::jpeg(), ['step' => self::STEP, 'shot' => 'before']);
        $arrow = ['kind' => 'arrow', 'x' => 0.1, 'y' => 0.1, 'to_x' => 0.5, 'to_y' => 0.5];
        $this->send($this->fit, ['type' => 'photo-marked', 'photo' => $photo] + $arrow);
        $record = $this->service(FitBook::class)->get($this->fit);
        $archive = $this->service(FitArchive::class);
        $zip = $archive->write($record);
        $files = $this->service(PhotoFiles::class);
        $hash = $this->service(PhotoBook::class)->hash($this->fit, $photo);
        (new Filesystem())->remove($files->folder());
        $this->forgetTheFit();
        // The JSON alone reads; the picture is missed and said to be.
        $again = $this->service(FitDocument::class)->read($archive->unpack($zip));
        self::assertSame($this->fit, $again->id);
        self::assertTrue($files->has($hash));
        self::assertSame($hash, $this->service(PhotoBook::class)->hash($this->fit, $photo));
        $state = $this->service(Recorder::class)->load($again)->state;
        self::assertSame('arrow', $state->photoMarks[$photo][0]->string('kind'));
        (new Filesystem())->remove($files->folder());
        $this->client->request('GET', sprintf('/fits/%s/photos/%s', $this->fit, $photo));
        self::assertSelectorTextContains('main', 'did not come with the file');
        $this->client->request('GET', sprintf('/fits/%s/bench/housing-on', $this->fit));
        self::assertResponseIsSuccessful();
        unlink($zip);
    }

    /** @param array<string, string> $inside */
    #[DataProvider('badZips')]
    public function testAZipThatIsNotAFitIsRefused(array $inside, string $said): void
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'nk-zip-');
        $zip = new \ZipArchive();
        $zip->open($path, \ZipArchive::OVERWRITE);
        foreach ($inside as $name => $bytes) {
            $zip->addFromString($name, $bytes);
        }
        $zip->close();
        try {
            $this->service(FitArchive::class)->unpack($path);
            self::fail('That came in.');
        } catch (InvalidDocument $e) {
            self::assertStringContainsString($said, $e->getMessage());
        } finally {
            unlink($path);
        }
        self::assertFileDoesNotExist($this->service(PhotoFiles::class)->folder());
    }

    /** @return iterable<string, array{array<string, string>, string}> */
    public static function badZips(): iterable
    {
        $jpeg = self::jpeg();
        yield 'without its document' => [['photos/'.hash('sha256', $jpeg).'.jpg' => $jpeg], 'no fit.json'];
        yield 'with something else' => [['fit.json' => '{}', '../../evil.php' => '<?php'], 'does not belong'];
        yield 'a picture under another hash' => [['fit.json' => '{}', 'photos/'.str_repeat('b', 64).'.jpg' => $jpeg], 'was changed'];
        yield 'no picture under its own hash' => [['fit.json' => '{}', 'photos/'.hash('sha256', 'x').'.jpg' => 'x'], 'no JPEG'];
        yield 'more than a fit can have' => [['fit.json' => str_repeat(' ', 41_000_000)], 'too large'];
    }

    public function testABackupTakesOnlyWhatIsNewAndPutsBackWhatIsGone(): void
    {
        $folder = sys_get_temp_dir().'/nk-photo-backup-'.getmypid();
        $this->take(self::jpeg(300, 200), ['step' => self::STEP]);
        $copy = trim($this->command('app:backup', ['folder' => $folder])->getDisplay());
        $copies = $this->service(PhotoCopies::class);
        self::assertSame(0, $copies->copyTo($folder), 'it lies there already');
        $this->take(self::jpeg(310, 200), ['step' => self::STEP]);
        self::assertSame(1, $copies->copyTo($folder));
        $files = $this->service(PhotoFiles::class);
        (new Filesystem())->remove($files->folder());
        self::assertSame(0, $this->command('app:restore', ['file' => $copy])->getStatusCode());
        self::assertCount(2, glob($files->folder().'/??/*.jpg') ?: []);
        // One that rotted is not carried on as if it were sound.
        $one = (glob($files->folder().'/??/*.jpg') ?: [''])[0];
        file_put_contents($one, 'rotten');
        (new Filesystem())->remove($folder.'/photos');
        try {
            $copies->copyTo($folder);
            self::fail('Half a copy is worse than none.');
        } catch (\RuntimeException $e) {
            self::assertStringContainsString('damaged', $e->getMessage());
        }
        (new Filesystem())->remove([$folder, ...glob(dirname(__DIR__, 2).'/var/test-data/*before-restore*') ?: []]);
    }

    public function testAReadingOffAPictureNamesItsPictureAndItsDoubt(): void
    {
        $this->fit = $this->service(FitPlanner::class)->plan(
            $this->service(Garage::class)->get('veldra-tarn-20t'), ['gate-lock'], [], 'Joss Wending',
        )->id;
        $steps = [];
        foreach ($this->service(FitBook::class)->get($this->fit)->sheet()->steps as $step) {
            foreach ($step->asking->asks as $ask) {
                $steps[$ask->field] = $step->id;
            }
        }
        $photo = $this->take(self::jpeg(), ['step' => $steps['gap_seen'], 'field' => 'gap_seen', 'shot' => 'proof']);
        $this->send($this->fit, ['type' => 'measured', 'step' => $steps['gap_wanted'], 'field' => 'gap_wanted', 'text' => '14 mm']);
        $read = ['type' => 'measured', 'step' => $steps['gap_seen'], 'field' => 'gap_seen', 'text' => '14.1 mm'];
        foreach ([['photo' => (string) new Ulid(), 'doubt' => 0.2], ['photo' => $photo], ['photo' => $photo, 'doubt' => 0]] as $more) {
            $this->send($this->fit, $read + $more);
            self::assertResponseStatusCodeSame(422);
        }
        // 13.5 to 14.5: half a millimetre of doubt reaches past, a fifth does not.
        $load = fn (): Fit => $this->service(Recorder::class)->load($this->service(FitBook::class)->get($this->fit));
        $codes = static fn (): array => array_map(
            static fn (Obstacle $one): string => $one->code,
            Gate::at($load())->within($load()->sheet->step($steps['gap_seen']) ?? self::fail()),
        );
        $this->send($this->fit, $read + ['photo' => $photo, 'doubt' => 0.5]);
        self::assertResponseIsSuccessful();
        self::assertContains('reading-doubtful', $codes());
        $this->client->request('GET', sprintf('/fits/%s/bench/%s', $this->fit, $steps['gap_seen']));
        self::assertSelectorTextContains('.outside', 'Measure it with a tool');
        $this->send($this->fit, $read + ['photo' => $photo, 'doubt' => 0.2]);
        self::assertNotContains('reading-doubtful', $codes());
        $said = array_map(static fn (ReadingTold $one): string => $one->text, (new FitNarrative($load()))->readings());
        self::assertContains('14.1 mm, off a picture, give or take 0.2', $said);
        // A caliper after it is no estimate any more.
        $this->send($this->fit, $read);
        self::assertContains(
            '14.1 mm', array_map(static fn (ReadingTold $one): string => $one->text, (new FitNarrative($load()))->readings())
        );
        $this->client->request('GET', sprintf('/fits/%s/photos/%s/measure', $this->fit, $photo));
        self::assertSelectorTextContains('#photo-field option[selected]', 'Gap under the bracket');
    }

    /** A black square of another step proves no vacuum: a proof is of its own step, of what can be seen, and shows something. */
    public function testAPictureIsNoProofOfAnything(): void
    {
        $fit = $this->service(FitPlanner::class)->plan(
            $this->service(Garage::class)->get('veldra-tarn-20t'), ['gate-lock'], [], 'Joss Wending',
        );
        $this->fit = $fit->id;
        $steps = [];
        foreach ($fit->sheet()->steps as $step) {
            foreach ($step->asking->asks as $ask) {
                $steps[$ask->field] = $step->id;
            }
        }
        $gap = ['step' => $steps['gap_seen'], 'field' => 'gap_seen', 'shot' => 'proof'];
        foreach (['small' => self::jpeg(200, 150), 'one colour' => self::plain()] as $what => $bytes) {
            $this->take($bytes, $gap);
            self::assertResponseStatusCodeSame(422, $what);
        }
        $this->take(self::plain(), ['step' => $steps['gap_seen']]);
        self::assertResponseIsSuccessful();
        $photo = $this->take(self::jpeg(), $gap);
        self::assertResponseIsSuccessful();
        $off = ['type' => 'measured', 'photo' => $photo, 'doubt' => 0.1];
        $refused = [
            'another step' => [$off + ['step' => $steps['gap_wanted'], 'field' => 'gap_wanted', 'text' => '2 mm'], 'at another step'],
            'a temperature' => [
                $off + ['step' => $steps['surface_temperature'], 'field' => 'surface_temperature', 'text' => '20'], 'lengths and angles',
            ],
        ];
        foreach ($refused as $what => [$event, $said]) {
            $answer = $this->send($this->fit, $event);
            self::assertResponseStatusCodeSame(422, $what);
            self::assertStringContainsString($said, json_encode($answer, \JSON_THROW_ON_ERROR), $what);
        }
        $this->send($this->fit, ['type' => 'measured', 'step' => $steps['gap_wanted'], 'field' => 'gap_wanted', 'text' => '2 mm']);
        $this->send($this->fit, $off + ['step' => $steps['gap_seen'], 'field' => 'gap_seen', 'text' => '2 mm']);
        self::assertResponseIsSuccessful();
    }

    private static function plain(): string
    {
        $image = imagecreatetruecolor(640, 480);
        imagefill($image, 0, 0, (int) imagecolorallocate($image, 20, 20, 20));
        ob_start();
        imagejpeg($image);

        return (string) ob_get_clean();
    }

    public function testDrawnPicturesAreForTheDemoAlone(): void
    {
        $this->client->request('GET', '/practice/pictures/belt.jpg');
        self::assertResponseIsSuccessful();
        $this->db()->executeStatement('UPDATE account SET demo = 0');
        $this->signIn('joss');
        $this->client->request('GET', '/practice/pictures/belt.jpg');
        self::assertResponseStatusCodeSame(404);
    }

    /** @param array<string, string> $of */
    private function take(string $bytes, array $of): string
    {
        $of += ['event' => (string) new Ulid(), 'at' => gmdate('Y-m-d\TH:i:s\Z')];
        $this->client->request(
            'POST', sprintf('/fits/%s/photos?%s', $this->fit, http_build_query($of)),
            server: ['CONTENT_TYPE' => 'image/jpeg', 'HTTP_X_CSRF_TOKEN' => $this->token()], content: $bytes,
        );

        return $of['event'];
    }

    /** As in a workshop that has never had it. The log refuses to be deleted from, so the guard is lifted for this. */
    private function forgetTheFit(): void
    {
        $guard = $this->db()->fetchOne("SELECT sql FROM sqlite_master WHERE name = 'fit_event_no_delete'");
        self::assertIsString($guard);
        $this->db()->executeStatement('DROP TRIGGER fit_event_no_delete');
        foreach (['fit_event' => 'fit_id', 'fit_photo' => 'fit_id', 'fit' => 'id'] as $table => $column) {
            $this->db()->executeStatement(sprintf('DELETE FROM %s WHERE %s = ?', $table, $column), [$this->fit]);
        }
        $this->db()->executeStatement($guard);
        $this->service(\Doctrine\ORM\EntityManagerInterface::class)->clear();
    }

    private static function jpeg(int $width = 320, int $height = 240, string $as = 'imagejpeg'): string
    {
        $image = imagecreatetruecolor(max(1, $width), max(1, $height));
        imagefilledrectangle($image, 20, 20, $width - 20, $height - 20, (int) imagecolorallocate($image, 200, 120, 40));
        ob_start();
        'imagepng' === $as ? imagepng($image) : ('imagewebp' === $as ? imagewebp($image) : imagejpeg($image));

        return (string) ob_get_clean();
    }
}
