import { HttpClient } from '@angular/common/http';
import { ChangeDetectionStrategy, Component, input, output, viewChild } from '@angular/core';
import { FileUpload, type FileSelectEvent } from 'primeng/fileupload';

/** A button that asks for files and hands them over; what is in them is for others to judge. */
@Component({
  selector: 'yu-file-button',
  imports: [FileUpload],
  // The kit's field asks for a way to send files; here none is sent.
  providers: [{ provide: HttpClient, useValue: undefined }],
  template: `
    <p-fileupload
      #field
      mode="basic"
      [auto]="true"
      chooseIcon="pi pi-upload"
      [chooseLabel]="label()"
      [accept]="accept()"
      [multiple]="several()"
      [chooseButtonProps]="{
        size: 'small',
        severity: 'secondary',
        variant: variant(),
        autofocus: false,
      }"
      [pt]="{ input: { 'aria-label': what() } }"
      (onSelect)="take($event)"
    />
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FileButton {
  readonly label = input.required<string>();
  /** Name of the field itself: what the files are. */
  readonly what = input.required<string>();
  /** Ends of names and types, as the field's accept. */
  readonly accept = input.required<string>();
  readonly several = input(false);
  readonly variant = input<'outlined' | 'text'>('outlined');
  readonly taken = output<File[]>();
  private readonly field = viewChild.required<FileUpload>('field');

  /** Asks for files, as the button does. */
  ask(): void {
    this.field().onBasicUploaderClick();
  }

  /** All of them, also those of another type: who takes them says what is wrong in its own words. */
  protected take({ files }: FileSelectEvent): void {
    const all = [...files];
    this.field().clear();
    this.taken.emit(all);
  }
}
